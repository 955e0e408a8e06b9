import type { Figures } from '../calculate'
import { axisOf } from '../calendar/axis'
import type { Finding } from '../finding'
import { assumptionsAt } from '../forecast/assumptions/bend'
import type { Assumption } from '../forecast/assumptions/options'
import { listed } from '../words/listed'

/** Assumptions that move nothing any more, or not yet: kept, and said. */
export function assumptionFindings({ method, series, ahead }: Figures): Finding[] {
  const { seasonOf, tOfCode, label } = axisOf(series)
  const { assumptions = [] } = method.forecast
  const timeCode = (code: string) => tOfCode(code)!
  const moving = new Set(
    ahead.t.flatMap((t) => assumptionsAt(assumptions, t, seasonOf(t), timeCode)),
  )
  const isIdle = (one: Assumption) => !moving.has(one)
  const idle = assumptions.filter(isIdle)
  if (idle.length === 0) return []
  const rest = assumptions.filter((one) => !isIdle(one))
  const which = listed(idle.map(({ from, reason }) => `"${reason}" of ${label(timeCode(from))}`))
  return [
    {
      code: 'assumption-idle',
      severity: 'note',
      stage: 'project',
      text: `${capitalCount(idle.length)} of the forecast moves nothing, because no period of it is forecast now: ${which}.`,
      period: null,
      figure: idle.length,
      actions: [
        {
          label: idle.length === 1 ? 'Take it out' : 'Take them out',
          change: { forecast: { assumptions: rest.length > 0 ? rest : undefined } },
        },
      ],
    },
  ]
}

function capitalCount(count: number): string {
  return count === 1 ? 'One assumption' : `Each of ${count} assumptions`
}
