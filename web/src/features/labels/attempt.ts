import { ref } from 'vue'
import { Problem } from '@/shared/api/problem'
import { tell } from '@/shared/notice'

/** Work whose refusal is said beside what was typed; everything else that goes wrong is told as ever. */
export function useAttempt() {
  const wrong = ref('')
  async function run(work: () => Promise<unknown>): Promise<boolean> {
    wrong.value = ''
    try {
      await work()
      return true
    } catch (problem) {
      if (problem instanceof Problem && problem.status === 422) wrong.value = problem.message
      else tell(problem)
      return false
    }
  }
  return { wrong, run }
}
