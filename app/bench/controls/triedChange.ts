import { ref } from 'vue'
import { assume } from '~~/core/assume'
import { calculate } from '~~/core/calculate'
import { completeMethod } from '~~/core/completeMethod'
import type { MethodChange } from '~~/core/finding'
import { changed } from '~~/core/method'
import { Refusal } from '~~/core/refusal'
import { useBench } from '../study/benchStore'
import { isAtOnce } from '~~/core/cost'

/** A change of the method that is made only if the method can then be carried out; else it is said why not. */
export function useTriedChange() {
  const bench = useBench()
  /** What was wished and is refused; the method stays as it is. */
  const problem = ref('')

  function change(part: MethodChange) {
    const next = changed(bench.method, part)
    try {
      completeMethod(next, bench.series!)
      // What only the calculation refuses is found here where it takes no time.
      if (isAtOnce(next, bench.series!)) assume(calculate(bench.series!, next))
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      problem.value = error.because
      return
    }
    problem.value = ''
    void bench.changePart(part)
  }
  return { problem, change }
}
