import { listed } from './listed'

/** Values without their season, as they are named: where more was taken out of them than the season, that is said too. */
export interface SeasonOut {
  /** `deseasonalized` */
  readonly short: string
  /** `deseasonalized series` */
  readonly series: string
  /** `deseas.`, where there is little room, of a figure and of a whole series */
  readonly brief: string
  readonly briefSeries: string
  /** The label of a row: `Growth, deseas.`, `Growth without both` */
  row(of: string): string
  /** `deseasonalized litres` */
  of(noun: string): string
}

/**
 * What values without their season are called.
 *
 * @param without what else was taken out of them, by name
 * @example seasonOut([]).of('litres') // 'deseasonalized litres'
 * @example seasonOut(['calendar']).of('litres') // 'litres without season and calendar'
 */
export function seasonOut(without: readonly string[]): SeasonOut {
  if (without.length === 0) {
    return {
      short: 'deseasonalized',
      series: 'deseasonalized series',
      brief: 'deseas.',
      briefSeries: 'deseas.',
      row: (of) => `${of}, deseas.`,
      of: (noun) => `deseasonalized ${noun}`,
    }
  }
  const out = `without ${listed(['season', ...without])}`
  return {
    short: out,
    series: `series ${out}`,
    ...{ brief: out, briefSeries: `series ${out}` },
    row: (of) => `${of} without both`,
    of: (noun) => `${noun} ${out}`,
  }
}
