import { effectScope, nextTick, ref } from 'vue'
import { beforeEach, expect, test } from 'vitest'
import { setTypist } from './kept'
import { useKeptPhrase } from './phrase'

beforeEach(() => {
  localStorage.clear()
  setTypist('wren@ternpoint.example')
})

test('a phrase is kept about what it was asked, until it is accepted', async () => {
  const at = ref('when:roof')
  const scope = effectScope()
  const made = scope.run(() =>
    useKeptPhrase(
      () => at.value,
      () => 'today',
    ),
  )
  if (!made) throw new Error('The scope is over.')
  const { written, accept } = made
  const ask = async (place: string) => {
    at.value = place
    await nextTick()
    return written.value.phrase
  }
  expect(written.value.phrase).toBe('today')
  written.value = { phrase: 'friday after lun', reading: null }
  expect(await ask('')).toBe('')
  expect(await ask('when:tower')).toBe('today')
  expect(await ask('when:roof')).toBe('friday after lun')
  written.value = { phrase: 'today', reading: null }
  expect(await ask('')).toBe('')
  expect(await ask('when:roof')).toBe('today')
  written.value = { phrase: 'friday', reading: null }
  accept('when:roof')
  await ask('')
  expect(await ask('when:roof')).toBe('today')
  scope.stop()
})
