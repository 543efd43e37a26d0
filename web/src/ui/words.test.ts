import { expect, test } from 'vitest'
import { dayAfter, sayClock, sayDay, sayDistance, sayNumber, weekdayOf } from './words'

test('dates are said as people say them', () => {
  expect(sayDay('2031-03-04', '2031-02-23')).toBe('Tue 4 Mar, in 9 days')
  expect(sayDay('2031-03-04', '2031-03-05')).toBe('Tue 4 Mar, yesterday')
  expect([-9, 0, 1].map(sayDistance)).toEqual(['9 days ago', 'today', 'tomorrow'])
  expect(weekdayOf('2031-05-12')).toBe('Monday')
})

test('days are counted over months, leap days and the change of the clocks', () => {
  expect(dayAfter('2031-01-31')).toBe('2031-02-01')
  expect(dayAfter('2032-02-28')).toBe('2032-02-29')
  expect(dayAfter('2031-03-29', 2)).toBe('2031-03-31')
  expect(sayDay('2031-03-31', '2031-03-29')).toContain('in 2 days')
})

test('numbers are words up to ninety-nine', () => {
  expect([0, 7, 19, 20, 45, 99, 100].map(sayNumber)).toEqual([
    'Zero',
    'Seven',
    'Nineteen',
    'Twenty',
    'Forty-five',
    'Ninety-nine',
    '100',
  ])
})

test('a clock rounds up, and does not run below nothing', () => {
  expect([161.2, 60, 59.01, 0, -5].map(sayClock)).toEqual(['2:42', '1:00', '1:00', '0:00', '0:00'])
})
