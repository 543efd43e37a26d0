import { renderHook } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import { useAwakeSeconds } from './useAwakeSeconds'

describe('useAwakeSeconds', () => {
  it('counts the time at a desk, and nothing of a night in between', () => {
    vi.useFakeTimers({ now: 1_000_000_000 })
    const { result } = renderHook(() => useAwakeSeconds())
    vi.advanceTimersByTime(60_000)
    expect(result.current()).toBeCloseTo(60, 0)
    // The lid is closed: no timer runs, the clock goes on.
    vi.setSystemTime(Date.now() + 9 * 3_600_000)
    vi.advanceTimersByTime(30_000)
    expect(result.current()).toBeLessThan(92)
    expect(result.current()).toBeGreaterThan(85)
    vi.useRealTimers()
  })
})
