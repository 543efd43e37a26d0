import { renderHook } from '@testing-library/react'
import { beforeEach, expect, test, vi } from 'vitest'
import { useTap } from './useTap'

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['performance'] })
})

const taps = (...gaps: number[]) => {
  const choose = vi.fn()
  const { result } = renderHook(() => useTap(choose))
  result.current()
  for (const gap of gaps) {
    vi.advanceTimersByTime(gap)
    result.current()
  }
  return choose
}

test('taps half a second apart are 120, from the second on', () => {
  expect(taps().mock.calls).toEqual([])
  expect(taps(500).mock.calls).toEqual([[120]])
  expect(taps(500, 500, 500).mock.lastCall).toEqual([120])
})

test('an uneven hand is evened out, and a pause begins anew', () => {
  expect(taps(480, 520, 490, 510).mock.lastCall![0]).toBeCloseTo(120, 5)
  expect(taps(500, 500, 4000, 1000).mock.lastCall).toEqual([60])
})

test('only the last eight gaps count: who gets faster is followed', () => {
  expect(taps(...Array<number>(9).fill(1000), ...Array<number>(8).fill(500)).mock.lastCall).toEqual([120])
})
