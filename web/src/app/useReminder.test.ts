import { describe, expect, it } from 'vitest'
import { isTime } from './useReminder'

const at = (hours: number, minutes: number) => new Date(2031, 2, 3, hours, minutes)

describe('isTime', () => {
  it('is from the hour on, for ten minutes', () => {
    expect(isTime('18:30', at(18, 29))).toBe(false)
    expect(isTime('18:30', at(18, 30))).toBe(true)
    expect(isTime('18:30', at(18, 39))).toBe(true)
    expect(isTime('18:30', at(18, 40))).toBe(false)
  })
})
