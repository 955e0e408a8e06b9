import { onScopeDispose } from 'vue'
import { previewOf } from '~~/core/analyse'
import type { WeightName, Weights } from '~~/core/exponential/forms'
import { useBench } from '../../study/benchStore'

/** A weight in the hand: what it makes of the series is shown at every frame, and kept once the hand is still. */
export function useWeightHand() {
  const bench = useBench()
  let frame: number | null = null
  let wanted: Weights | null = null

  /** The weights of the result, whether chosen or fixed. */
  function present(): Weights {
    const forecast = bench.result?.forecast
    return forecast && 'weights' in forecast ? forecast.weights : {}
  }

  function move(name: WeightName, weight: number): void {
    wanted = { ...present(), [name]: weight }
    frame ??= requestAnimationFrame(draw)
  }

  function draw(): void {
    frame = null
    if (!wanted || !bench.result || !bench.series) return
    bench.preview = previewOf(bench.result, bench.series, bench.method, wanted) ?? bench.preview
  }

  function forget(): void {
    if (frame !== null) cancelAnimationFrame(frame)
    frame = wanted = null
  }

  /** Fixes a weight where the hand left it. */
  function take(name: WeightName, weight: number): void {
    forget()
    void bench.changePart({ forecast: { weights: { [name]: weight } } })
  }

  /** Lets a weight be chosen again. */
  function choose(name: WeightName): void {
    forget()
    void bench.changePart({ forecast: { weights: { [name]: undefined } } })
  }

  onScopeDispose(() => {
    forget()
    bench.preview = null
  })
  return { move, take, choose }
}
