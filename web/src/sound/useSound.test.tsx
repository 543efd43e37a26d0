import { act, renderHook } from '@testing-library/react'
import { beforeEach, expect, test, vi } from 'vitest'
import type { Schemas } from '../api/client'

/** A made-up audio clock that counts what was put on it. */
const clock = vi.hoisted(() => ({ clicks: [] as number[] }))
vi.mock('./output', () => ({
  now: () => 0,
  loudspeaker: () => ({}),
  wakeEvery: () => () => undefined,
  output: () => ({
    rawContext: {
      currentTime: 0,
      destination: {},
      createBufferSource: () => ({
        connect: () => undefined,
        stop: () => undefined,
        start: (at: number) => void clock.clicks.push(at),
      }),
    },
  }),
}))
vi.mock('./voices', () => ({ clickBuffer: () => ({}) }))

import { useSound } from './useSound'

const view = {
  settings: {},
  cycle: { beats: 1, beatsPerBar: 1, clicks: [{ at: 0, level: 1 }] },
  droneHertz: [],
} as unknown as Schemas['SoundView']
const open = () => renderHook(() => useSound(view))

beforeEach(() => (clock.clicks = []))

test('a click that was stopped before its code had come does not start', async () => {
  const { result } = open()
  await act(async () => {
    const coming = result.current.startClick(72)
    result.current.stopClick()
    await coming
  })
  expect(clock.clicks).toEqual([])
  expect(result.current.clicking).toBe(false)
})

test('nor does one whose page was left', async () => {
  const { result, unmount } = open()
  const coming = result.current.startClick(72)
  unmount()
  await coming
  expect(clock.clicks).toEqual([])
})

test('asked for twice it starts once, at the later tempo', async () => {
  const { result } = open()
  await act(async () => {
    await Promise.all([result.current.startClick(60), result.current.startClick(120)])
  })
  expect(result.current.tempo()).toBe(120)
  expect(clock.clicks[1]! - clock.clicks[0]!).toBeCloseTo(0.5, 9)
  expect(result.current.clicking).toBe(true)
})
