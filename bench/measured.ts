/** A line of the benchmark: what of which topic, and its figure. */
export function say(topic: string, what: string, figure: string): void {
  process.stdout.write(`${`${topic}: ${what}`.padEnd(72)} ${figure}\n`)
}

/** Median of the milliseconds of several runs, after one that makes the machine warm. */
export function median(repeats: number, run: () => void): number {
  run()
  const times = Array.from({ length: repeats }, () => {
    const started = performance.now()
    run()
    return performance.now() - started
  })
  return times.sort((a, b) => a - b)[repeats >> 1]!
}
