import { expect, test } from 'vitest'
import { hoursShown, lanes, minutesOf, part, quarterAt, timeOf } from './place'

test.each([
  ['00:00', false, 0],
  ['00:00', true, 1440],
  ['09:30', false, 570],
  ['23:59', true, 1439],
])('%s, as an end: %s, is minute %i', (time, isEnd, minutes) => {
  expect(minutesOf(time, isEnd)).toBe(minutes)
})

test('a time is written and read again', () => {
  for (let minute = 0; minute < 1440; minute += 7) expect(minutesOf(timeOf(minute))).toBe(minute)
  expect([timeOf(-5), timeOf(2000)]).toEqual(['00:00', '23:59'])
})

test.each([
  ['nothing', [], [420, 1140]],
  ['within', [[540, 600]], [420, 1140]],
  ['early', [[390, 400]], [360, 1140]],
  ['late', [[1200, 1290]], [420, 1320]],
  ['over midnight', [[1400, 1500]], [420, 1440]],
])('hours shown with %s', (_, laid, [from, to]) => {
  const spans = (laid as [number, number][]).map(([begin, end]) => ({ from: begin, to: end }))
  expect(hoursShown({ from: 420, to: 1140 }, spans)).toEqual({ from, to })
})

test.each([
  ['one behind the other', 'a 0 60, b 60 120', 'a0 b0'],
  ['over one another', 'a 0 60, b 30 90, c 60 90', 'a0 b1 c0'],
  ['the longer first', 'a 0 30, b 0 90', 'b0 a1'],
  ['a short one needs room for its name', 'a 0 15, b 20 90, c 40 60', 'a0 b1 c0'],
  ['three at once', 'a 0 60, b 0 60, c 0 60', 'a0 b1 c2'],
])('lanes: %s', (_, things, expected) => {
  const laid = things.split(', ').map((one) => {
    const [id = '', from, to] = one.split(' ')
    return { id, from: Number(from), to: Number(to) }
  })
  expect(
    lanes(laid, 40)
      .map(({ id, lane }) => `${id}${lane}`)
      .join(' '),
  ).toBe(expected)
})

test('nothing lies over another in its lane, whatever there is', () => {
  let seed = 5
  const random = (most: number) => (seed = (seed * 48_271) % 2_147_483_647) % most
  for (let round = 0; round < 200; round += 1) {
    const things = Array.from({ length: random(12) }, (_, index) => {
      const from = random(1200)
      return { id: String(index), from, to: from + 5 + random(200) }
    })
    const placed = lanes(things, 30)
    expect(placed).toHaveLength(things.length)
    for (const one of placed)
      for (const other of placed)
        if (one !== other && one.lane === other.lane && one.from <= other.from)
          expect(Math.max(one.to, one.from + 30)).toBeLessThanOrEqual(other.from)
  }
})

test('a place in the row is a quarter of an hour, and back', () => {
  const shown = { from: 420, to: 1140 }
  for (let minute = 420; minute <= 1140; minute += 15)
    expect(quarterAt(part(minute, shown), shown)).toBe(minute)
  expect([part(0, shown), part(1440, shown), quarterAt(2, { from: 0, to: 1440 })]).toEqual([0, 1, 1425])
})
