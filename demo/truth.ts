/**
 * What the demo series are made of. Tests check that Elvant finds these effects again; the same
 * figures stand in `truth.json` beside the files.
 */
export const TRUTH = {
  seed: 20160104,
  start: { year: 2016, month: 1 },
  months: 120,
  exterior: {
    file: 'exterior-paint.csv',
    unit: 'litres',
    model: 'multiplicative',
    /** Litres in the month before the first, and litres more each month. */
    level: 31_500,
    slope: 105,
    /** Factors of January to December; they average 1. */
    indices: [0.62, 0.7, 0.93, 1.17, 1.34, 1.29, 1.2, 1.16, 1.01, 0.93, 0.88, 0.77],
    /** Standard deviation of the irregular factor. */
    noise: 0.014,
    /** Share added per Saturday above the usual 4.348 a month. */
    perSaturday: 0.018,
    /** Share that the two weeks before Easter add, split over the months they fall in. */
    easter: 0.03,
    /** The plant was closed: share of the usual sales in each month. */
    flood: [
      { month: '2019-06', share: 0.7 },
      { month: '2019-07', share: 0.83 },
    ],
  },
  interior: {
    file: 'interior-paint.csv',
    unit: 'litres',
    model: 'additive',
    level: 41_000,
    slope: 210,
    /** Litres above the baseline, January to December; they sum to 0. */
    indices: [3900, 2700, 1200, -900, -2600, -3700, -4300, -3500, -1100, 1500, 3100, 3700],
    noise: 620,
  },
  stain: {
    file: 'wood-stain.csv',
    unit: 'litres',
    model: 'multiplicative',
    level: 8200,
    slope: 18,
    /** Half the distance from peak to trough, as a share of the level. */
    swing: 0.42,
    /** The month of the peak, moving evenly from the first to the last. */
    peak: { from: 6, to: 4 },
    noise: 0.02,
  },
  masonry: {
    file: 'masonry-paint.csv',
    unit: 'litres',
    model: 'multiplicative',
    level: 15_000,
    /** Litres more each month up to the turn, and after it. */
    slope: 150,
    turn: '2022-01',
    slopeAfter: -140,
    /** Standard deviation of what the level wanders each month, as a share of itself. */
    wander: 0.011,
    indices: [0.72, 0.78, 0.94, 1.08, 1.18, 1.2, 1.16, 1.14, 1.08, 0.98, 0.9, 0.84],
    noise: 0.02,
  },
  decking: {
    file: 'decking-oil.csv',
    unit: 'litres',
    model: 'multiplicative',
    level: 6200,
    slope: 14,
    indices: [0.55, 0.66, 0.98, 1.32, 1.42, 1.31, 1.22, 1.14, 1.05, 0.93, 0.76, 0.66],
    noise: 0.018,
    /** Weeks in which it is advertised and cheaper: first days, in no year on the same ones; share that each day adds to its month. */
    promotion: {
      file: 'decking-weeks.ics',
      name: 'Decking weeks',
      days: 10,
      perDay: 0.012,
      from: [
        ...['2016-04-01', '2016-09-09', '2017-04-28', '2018-05-11', '2018-09-28', '2019-03-29'],
        ...['2019-10-04', '2020-05-01', '2021-04-09', '2021-09-03', '2022-05-20', '2022-10-07'],
        ...['2023-03-24', '2024-04-26', '2024-09-13', '2025-05-09', '2025-10-03', '2026-04-17'],
        ...['2026-09-18', '2027-05-07'],
      ],
    },
  },
  primer: { file: 'primer.csv', unit: 'litres', level: 12_400, slope: 21, noise: 260 },
  brushes: {
    file: 'brushes-and-rollers.csv',
    unit: 'pieces',
    model: 'multiplicative',
    level: 5200,
    slope: 9,
    indices: [0.8, 0.84, 0.97, 1.1, 1.19, 1.16, 1.09, 1.07, 1.01, 0.96, 0.94, 0.87],
    noise: 0.022,
    missing: ['2018-02', '2021-11'],
    duplicated: '2020-05',
    tenTimesTooLarge: '2022-08',
  },
  contract: {
    file: 'contract-work.csv',
    unit: 'jobs',
    /** Written down, not drawn: small whole numbers that can be followed by hand. */
    startQuarter: { year: 2021, quarter: 1 },
    values: [42, 66, 73, 38, 46, 71, 80, 43, 50, 78, 87, 46, 55, 84, 93, 51, 58, 91, 101, 54],
  },
  takings: {
    file: 'trade-counter-takings.csv',
    unit: 'euros',
    firstDay: '2023-01-02',
    lastDay: '2025-12-31',
    level: 2400,
    slopePerDay: 0.35,
    /** Factors of Monday to Saturday; closed on Sunday. */
    weekdays: [0.94, 0.9, 0.95, 1.02, 1.21, 0.98],
    /** Over the year: the share above and below, and the day of the year that is best. */
    year: { swing: 0.22, best: 140 },
    noise: 0.09,
  },
  primerByWeek: {
    file: 'primer-by-week.csv',
    unit: 'litres',
    /** 2020 has 53 weeks. */
    firstMonday: '2019-12-30',
    weeks: 313,
    level: 2700,
    slopePerWeek: 1.4,
    /** Share above and below the average, and the week that is best. */
    year: { swing: 0.12, best: 22 },
    noise: 0.03,
  },
  webOrders: {
    file: 'web-orders-by-hour.csv',
    unit: 'orders',
    firstDay: '2025-10-06',
    days: 84,
    level: 14,
    /** Factors of midnight to 23:00. */
    hours: [
      0.2, 0.12, 0.08, 0.07, 0.08, 0.15, 0.4, 0.8, 1.2, 1.5, 1.6, 1.5, 1.4, 1.3, 1.3, 1.3, 1.3, 1.4,
      1.6, 1.9, 2, 1.6, 0.9, 0.4,
    ],
    /** Factors of Monday to Sunday. */
    weekdays: [1.05, 0.95, 0.92, 0.95, 0.95, 1.05, 1.13],
    noise: 0.12,
  },
  yearly: {
    file: 'paint-by-year.csv',
    unit: 'thousand litres',
    firstYear: 2004,
    years: 22,
    /** Thousand litres in the year before the first, and more each year. */
    level: 780,
    slope: 24,
    noise: 14,
    /** Building stood still: share of the usual sales in those years. */
    slump: [
      { year: 2009, share: 0.9 },
      { year: 2010, share: 0.93 },
    ],
  },
  regions: {
    file: 'exterior-paint-by-region.csv',
    unit: 'litres',
    /** Shares of the whole in the first and the last month. */
    shares: {
      North: { from: 0.36, to: 0.29 },
      South: { from: 0.31, to: 0.28 },
      Coast: { from: 0.24, to: 0.22 },
      Online: { from: 0.09, to: 0.21 },
    },
    noise: 0.02,
  },
} as const
