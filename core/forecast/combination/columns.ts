import { declare, type Column } from '../../column/column'
import type { Expression } from '../../column/expression'
import type { Run } from '../../column/run'
import { fittedColumns, limitColumns } from '../columns'
import type { ForecastParts } from '../way'
import type { CombinationForecast } from './calculate'
import type { CombinationOptions } from './options'

/** What each member says, what they come to together, and its limits. */
export function columnsOfCombination(
  run: Run,
  { options, ahead }: ForecastParts<CombinationOptions, CombinationForecast>,
): Column[] {
  const { average } = options
  const of = (t: number): Expression => ({
    kind: 'average',
    how: average,
    terms: ahead.members.map((_, i) => run.cell(memberName(i), t)),
  })
  return [
    ...ahead.members.map(({ name, forecast, fitted }, i) =>
      declare(run.unit, {
        name: memberName(i),
        label: `Method ${i + 1}`,
        symbol: `method ${i + 1}`,
        means: shortened(name),
        explains: name,
        measure: 'level',
        component: 'forecast',
        mark: 'line-thin',
        stages: ['project', 'check'],
        actual: fitted,
        ahead: forecast,
        // It is the last step of a calculation of its own, which the Bench shows when it is the method.
        arithmetic: (t) => ({
          kind: 'figure',
          symbol: `method ${i + 1}`,
          value: (t > run.lastT ? forecast[t - run.lastT - 1] : fitted[t - run.firstT])!,
        }),
        whyUndefined: () => 'This method has no fitted value here.',
      }),
    ),
    ...fittedColumns(run, {
      means: `${average} of the methods`,
      arithmetic: of,
      whyUndefined: () => 'One of the methods has no fitted value here.',
    }),
    declare(run.unit, {
      name: 'forecast',
      label: 'Forecast',
      means: `${average} of ${ahead.members.length} methods`,
      measure: 'level',
      component: 'forecast',
      mark: 'line-dashed',
      stages: ['project'],
      ahead: ahead.forecast,
      arithmetic: of,
    }),
    ...limitColumns(run, options, ahead, {
      explains: 'limit from past errors',
      arithmetic: of,
      whyNone: 'There are no limits: the series is too short for earlier forecasts.',
    }),
  ]
}

/** The row of a member. */
export function memberName(i: number): string {
  return `member:${i + 1}`
}

/**
 * Which member a row is of, the first 0; null for any other row.
 *
 * @example memberNamed('member:2') // 1
 */
export function memberNamed(column: string): number | null {
  const [, place] = /^member:(\d+)$/.exec(column) ?? []
  return place === undefined ? null : Number(place) - 1
}

/** Words that a row has room for. */
function shortened(name: string): string {
  return name.length > MOST ? `${name.slice(0, MOST - 1)}…` : name
}

const MOST = 28
