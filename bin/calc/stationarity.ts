import { z } from 'zod'
import {
  autocorrelation,
  autocorrelationLimit,
  partialAutocorrelation,
} from '../../core/autocorrelation/autocorrelation'
import { ljungBox } from '../../core/autocorrelation/ljungBox'
import { withoutGap } from '../../core/autocorrelation/withoutGap'
import { detrend } from '../../core/trend/detrend'
import { FITTED_FORM_NAMES } from '../../core/trend/leastSquares/forms'
import { dickeyFuller } from '../../core/stationarity/dickeyFuller'
import { difference, DIFFERENCES } from '../../core/stationarity/difference'
import { kpss } from '../../core/stationarity/kpss'
import { durbinWatson } from '../../core/regression/report'
import { testResiduals } from '../../core/regression/residualTests'
import { Refusal } from '../../core/refusal'
import { readInput } from './input'
import { calcPeakSpacingTest, calcSeason, calcSeasonality, calcWhichModelTest } from './seasonality'

const values = z.array(z.number().nullable())
const detrendSchema = z.object({
  y: values,
  m: z.int().min(1).max(1000),
  how: z.object({
    differences: z.array(z.enum(DIFFERENCES)).default([]),
    trends: z
      .array(
        z.object({
          form: z.enum(FITTED_FORM_NAMES),
          breaks: z
            .array(z.object({ t: z.int().min(1), level: z.boolean().default(false) }))
            .default([]),
        }),
      )
      .default([]),
  }),
})

/** A series without its trend, by differences or by a fitted trend. */
export function calcDetrend(input: unknown): unknown {
  const { y, m, how } = readInput(detrendSchema, input)
  return {
    ...Object.fromEntries(how.differences.map((name) => [name, difference(y, name, m)])),
    ...(how.trends.length === 0
      ? {}
      : {
          fits: how.trends.map(({ form, breaks }) => {
            const { trend, detrended, detrendedLog } = detrend(y, form, breaks)
            return {
              trend: form,
              trendLine: trend,
              detrended,
              ...(detrendedLog ? { detrendedLog } : {}),
            }
          }),
        }),
  }
}

const acfSchema = z.object({
  y: values,
  lags: z.int().min(1),
  ljungBox: z.array(z.int().min(1)).default([]),
})

/** Autocorrelation, partial autocorrelation and whether they are more than noise. */
export function calcAutocorrelation(input: unknown): unknown {
  const read = readInput(acfSchema, input)
  const { values: y } = withoutGap(read.y, 'The autocorrelation')
  const most = Math.max(read.lags, ...read.ljungBox)
  const r = autocorrelation(y, most)
  if (read.ljungBox.some((lag) => lag >= y.length)) {
    throw new Refusal(
      `With ${y.length} values there are ${y.length - 1} lags at the most.`,
      'ljungBox',
    )
  }
  return {
    n: y.length,
    limit: autocorrelationLimit(y.length),
    ...(r
      ? {
          r: r.slice(0, read.lags),
          pacf: partialAutocorrelation(r.slice(0, read.lags)),
          ljungBox: read.ljungBox.map((lag) => ljungBox(r, y.length, lag)),
        }
      : // Nothing varies: as many undefined figures as were asked for.
        {
          r: Array(read.lags).fill(null),
          pacf: Array(read.lags).fill(null),
          ljungBox: read.ljungBox.map((lag) => ({ lag, q: null, df: lag, p: null })),
        }),
  }
}

const testSchema = z.discriminatedUnion('test', [
  z.object({ test: z.literal('adf'), deterministic: z.enum(['constant', 'trend']), y: values }),
  z.object({ test: z.literal('kpss'), deterministic: z.enum(['level', 'trend']), y: values }),
  z.looseObject({ test: z.literal('seasonality') }),
  z.looseObject({ test: z.literal('which-model') }),
  z.looseObject({ test: z.literal('season') }),
  z.looseObject({ test: z.literal('peak-spacing') }),
  z.object({ test: z.literal('residuals'), m: z.int().min(1).max(1000), residuals: values }),
])

/** One of the tests. */
export function calcTest(input: unknown): unknown {
  const read = readInput(testSchema, input)
  switch (read.test) {
    case 'adf': {
      const got = dickeyFuller(read.y, read.deterministic)
      return {
        maxLag: got.maxLag,
        selectionNobs: got.selectionCount,
        aic: got.aic,
        lags: got.lag,
        nobs: got.count,
        coefficient: got.coefficient,
        se: got.standardError,
        statistic: got.statistic,
        critical: got.critical,
        reject5: got.rejects,
      }
    }
    case 'kpss': {
      const { rejects, ...figures } = kpss(read.y, read.deterministic)
      return { ...figures, reject5: rejects }
    }
    case 'seasonality':
      return calcSeasonality(input)
    case 'which-model':
      return calcWhichModelTest(input)
    case 'season':
      return calcSeason(input)
    case 'peak-spacing':
      return calcPeakSpacingTest(input)
    case 'residuals': {
      const { ljungBox: boxes, jarqueBera } = testResiduals(read.residuals, read.m, 0)
      return {
        durbinWatson: durbinWatson(read.residuals),
        ljungBox: boxes.map(({ lag, q, df, p }) => ({ lag, q, df, p })),
        jarqueBera: jarqueBera && {
          n: read.residuals.filter((value) => value !== null).length,
          ...jarqueBera,
        },
      }
    }
  }
}
