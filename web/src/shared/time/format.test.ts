import { beforeEach, describe, expect, it } from 'vitest'
import { setClock } from './clock'
import {
  age,
  dateOf,
  day,
  daysAhead,
  moment,
  nearDay,
  nearMoment,
  nearness,
  plusDays,
  size,
  time,
  today,
} from './format'

beforeEach(() => setClock('2026-11-24T10:00:00Z', 0, 'Europe/Dublin'))

describe('where the person is', () => {
  it.each([
    ['Europe/Dublin', '2026-11-24', '23:30'],
    ['Pacific/Kiritimati', '2026-11-25', '13:30'],
    ['America/Adak', '2026-11-24', '13:30'],
    ['Asia/Kathmandu', '2026-11-25', '05:15'],
  ])('an instant is a day and a time in %s', (zone, date, at) => {
    setClock('2026-11-24T10:00:00Z', 0, zone)
    expect([dateOf('2026-11-24T23:30:00Z'), time('2026-11-24T23:30:00Z')]).toEqual([date, at])
  })

  it('the clock change moves the time and not the day', () => {
    expect(moment('2026-10-24T22:30:00Z')).toBe('Sat 24 Oct, 23:30')
    expect(moment('2026-10-25T22:30:00Z')).toBe('Sun 25 Oct, 22:30')
  })

  it('midnight is said as 00:00', () => {
    expect(time('2026-11-24T00:00:00Z')).toBe('00:00')
  })
})

describe('days', () => {
  it.each([
    ['2026-11-22', -2, 'Sun 22 Nov'],
    ['2026-11-23', -1, 'yesterday'],
    ['2026-11-24', 0, 'today'],
    ['2026-11-25', 1, 'tomorrow'],
    ['2026-11-26', 2, 'Thu 26 Nov'],
    ['2027-02-28', 96, 'Sun 28 Feb 2027'],
  ])('%s is %i days ahead and called %s', (date, ahead, name) => {
    expect([today(), daysAhead(date), nearDay(date)]).toEqual(['2026-11-24', ahead, name])
  })

  it('the year is said when it is another one', () => {
    expect([day('2026-01-01'), day('2025-12-31')]).toEqual(['Thu 1 Jan', 'Wed 31 Dec 2025'])
  })

  it('are counted over the ends of months, years and summers', () => {
    expect(plusDays('2026-11-30', 1)).toBe('2026-12-01')
    expect(plusDays('2026-01-01', -1)).toBe('2025-12-31')
    expect(plusDays('2028-02-28', 1)).toBe('2028-02-29')
    for (let days = -400; days <= 400; days += 7) expect(daysAhead(plusDays(today(), days))).toBe(days)
  })

  it('and their times are said together', () => {
    expect(nearMoment('2026-11-25T09:05:00Z')).toBe('tomorrow at 09:05')
  })

  it.each([
    ['2026-11-23', 'over'],
    ['2026-11-24', 'near'],
    ['2026-11-25', 'near'],
    ['2026-11-26', 'soon'],
    ['2026-12-01', 'soon'],
    ['2026-12-02', 'far'],
  ])('the nearer, the darker: %s is %s', (date, how) => {
    expect(nearness(date)).toBe(how)
  })
})

it.each([
  ['2026-11-24T10:00:30Z', '1 min'],
  ['2026-11-24T09:59:30Z', '1 min'],
  ['2026-11-24T09:01:00Z', '59 min'],
  ['2026-11-24T09:00:00Z', '1 h'],
  ['2026-11-23T10:00:01Z', '23 h'],
  ['2026-11-23T10:00:00Z', '1 d'],
  ['2026-11-10T10:00:01Z', '13 d'],
  ['2026-11-10T10:00:00Z', '2 w'],
  ['2025-11-24T10:00:00Z', '1 y'],
  ['2020-11-24T10:00:00Z', '6 y'],
])('what came at %s is %s old', (instant, old) => {
  expect(age(instant)).toBe(old)
})

it.each([
  [0, '0 B'],
  [999, '999 B'],
  [1000, '1 kB'],
  [999_499, '999 kB'],
  [999_500, '1.0 MB'],
  [12_345_678, '12.3 MB'],
])('%i bytes are %s', (bytes, text) => {
  expect(size(bytes)).toBe(text)
})
