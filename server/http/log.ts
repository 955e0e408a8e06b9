import pino from 'pino'

/** One line of JSON an event on standard error; ELVANT_LOG sets the least level that is written. */
export const log = pino(
  { level: process.env.ELVANT_LOG ?? 'info', base: undefined },
  pino.destination({ dest: 2, sync: true }),
)
