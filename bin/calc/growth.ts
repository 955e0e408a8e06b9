import { z } from 'zod'
import { growth } from '../../core/growth/growth'
import { decompose, decompositionInput } from './classical'
import { readInput, seriesInput, seriesOf } from './input'

const schema = z.intersection(
  seriesInput,
  z.discriminatedUnion('on', [
    z.object({ on: z.literal('original') }),
    z.object({ on: z.literal('deseasonalized'), decomposition: decompositionInput }),
  ]),
)

/** Growth rates of a series, as it is or deseasonalized. */
export function calcGrowth(input: unknown): unknown {
  const read = readInput(schema, input)
  const values =
    read.on === 'original' ? read.y : decompose(seriesOf(read), read.decomposition).deseasonalized
  const rates = growth(values, read.m)
  return {
    period_on_period: rates.periodOnPeriod,
    annualized_simple: rates.annualizedSimple,
    annualized_compounded: rates.annualizedCompounded,
    year_on_year: rates.yearOnYear,
  }
}
