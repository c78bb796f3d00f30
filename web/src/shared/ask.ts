import { readonly, ref } from 'vue'

/** A question that has to be answered before something is done. */
interface Question {
  title: string
  text: string
  /** The answers besides "Cancel", the likely one first */
  answers: { value: string; text: string }[]
}

const current = ref<(Question & { resolve: (answer: string | null) => void }) | null>(null)

export const question = readonly(current)

/** Asks, and gives the value of the answer; null when it was cancelled. */
export function ask(question: Question): Promise<string | null> {
  current.value?.resolve(null)
  return new Promise((resolve) => {
    current.value = { ...question, resolve }
  })
}

export function reply(value: string | null): void {
  const asked = current.value
  current.value = null
  asked?.resolve(value)
}
