import { afterEach, expect, test } from 'vitest'
import { createApp, defineComponent, h, nextTick, ref, type App, type Ref } from 'vue'
import { cameBack } from './steps/leaving'
import { useSelection } from './selection'

const apps: App[] = []
afterEach(() => {
  for (const app of apps.splice(0)) app.unmount()
  document.body.innerHTML = ''
})

const named = (ids: string) => [...ids].map((id) => ({ id }))

/** A list on a page, as the views have it. */
function list(ids: string, remembered = '') {
  const rows: Ref<{ id: string }[]> = ref(named(ids))
  let selection: ReturnType<typeof useSelection<{ id: string }>> | undefined
  const app = createApp(
    defineComponent({
      setup() {
        selection = useSelection(rows, 'data-conversation', remembered)
        return () =>
          rows.value.map(({ id }) => h('a', { key: id, href: '#', 'data-conversation': id, tabindex: 0 }, id))
      },
    }),
  )
  app.mount(document.body.appendChild(document.createElement('main')))
  apps.push(app)
  if (!selection) throw new Error('not set up')
  return {
    ...selection,
    focused: () => (document.activeElement as HTMLElement | null)?.dataset.conversation,
    become: async (now: string) => {
      rows.value = named(now)
      await nextTick()
      await nextTick()
    },
    close: () => apps.splice(apps.indexOf(app), 1)[0]?.unmount(),
  }
}

test.each([
  ['acde', 'c', 'the row before it left'],
  ['abxcde', 'c', 'one came before it'],
  ['edcba', 'c', 'the order changed'],
  ['abde', 'd', 'it left: the next one'],
  ['ab', 'b', 'all from it on left: the last one'],
])('on c of abcde, then %s: on %s (%s)', async (now, expected) => {
  const rows = list('abcde')
  await rows.goTo(2)
  expect(rows.focused()).toBe('c')
  await rows.become(now)
  expect(rows.currentId.value).toBe(expected)
  expect(rows.focused()).toBe(expected)
})

test('the focus is not taken from where somebody has put it', async () => {
  const rows = list('abc')
  const field = document.body.appendChild(document.createElement('input'))
  await rows.goTo(1)
  field.focus()
  await rows.become('ac')
  expect(document.activeElement).toBe(field)
})

test('keys move, and stop at the ends', async () => {
  const rows = list('abc')
  const press = async (key: string) => {
    await rows.moving.find((one) => one.key === key)?.run(new KeyboardEvent('keydown'))
    await nextTick()
    return rows.focused()
  }
  expect(await press('ArrowDown')).toBe('a')
  expect(await press('ArrowDown')).toBe('b')
  expect(await press('End')).toBe('c')
  expect(await press('ArrowDown')).toBe('c')
  expect(await press('Home')).toBe('a')
  expect(await press('ArrowUp')).toBe('a')
})

test('what is meant: the selected ones, or the current one', async () => {
  const rows = list('abcd')
  expect(rows.meant.value).toEqual([])
  await rows.goTo(1)
  expect(rows.meant.value).toEqual(named('b'))
  rows.toggle('d')
  rows.toggle('a')
  expect(rows.meant.value, 'in the order of the list').toEqual(named('ad'))
  rows.clicked(0, false)
  rows.clicked(3, true)
  expect(rows.meant.value).toEqual(named('abcd'))
  await rows.become('bd')
  expect(rows.meant.value, 'what left is not meant any more').toEqual(named('bd'))
  rows.clear()
  expect(rows.selected.value.size).toBe(0)
})

test('what came back because it was not accepted is selected again', async () => {
  const rows = list('abcd')
  rows.select(['b', 'c'])
  await rows.become('ad')
  expect(rows.selected.value.size).toBe(0)
  cameBack.value = ['b', 'c']
  await rows.become('abcd')
  expect([...rows.selected.value].sort()).toEqual(['b', 'c'])
})

test('a list that is come back to stands on the row on which it was left, or where that was', async () => {
  const first = list('abcde', 'tray')
  await first.goTo(2)
  first.close()
  const second = list('abcde', 'tray')
  await nextTick()
  await nextTick()
  expect(second.focused()).toBe('c')
  second.close()
  const third = list('abde', 'tray')
  await nextTick()
  await nextTick()
  expect(third.focused()).toBe('d')
})
