import { onScopeDispose, ref } from 'vue'
import { previewOf } from '~~/core/analyse'
import type { WeightName, Weights } from '~~/core/stateSpace/forms'
import { Refusal } from '~~/core/refusal'
import { useBench } from '../../study/benchStore'

/** A weight in the hand: what it makes of the series is shown at every frame, and kept once the hand is still. */
export function useWeightHand() {
  const bench = useBench()
  /** Why the weights in the hand cannot be carried out; empty where they can. */
  const refused = ref('')
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
    try {
      bench.preview = previewOf(bench.result, bench.series, bench.method, wanted)
      refused.value = ''
    } catch (error) {
      // What was shown stays; why these weights show nothing is said.
      if (!(error instanceof Refusal)) throw error
      refused.value = error.because
    }
  }

  function forget(): void {
    refused.value = ''
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
  return { move, take, choose, refused }
}
