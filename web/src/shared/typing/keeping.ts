import { ref } from 'vue'
import { Problem } from '@/shared/api/problem'
import { tell } from '@/shared/notice'

/**
 * Keeps what was typed into a form. What is refused is said at its field, or at the one named where no field is, and the form
 * stays as it is.
 *
 * @param done what happens once it has been accepted
 */
export function useKeeping(field: string, send: () => Promise<unknown>, done: () => void) {
  const wrong = ref<Record<string, string>>({})
  const busy = ref(false)
  async function keep(): Promise<void> {
    if (busy.value) return
    busy.value = true
    try {
      await send()
      wrong.value = {}
      done()
    } catch (problem) {
      if (problem instanceof Problem && problem.status === 422)
        wrong.value = Object.keys(problem.fields).length ? problem.fields : { [field]: problem.message }
      else tell(problem)
    } finally {
      busy.value = false
    }
  }
  return { wrong, busy, keep }
}
