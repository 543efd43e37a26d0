import { act as step, renderHook } from '@testing-library/react'
import { beforeEach, expect, test, vi } from 'vitest'
import type { Schemas } from '../../api/client'
import { usePlayed } from './usePlayed'
import { useTurn } from './useTurn'

type Session = Schemas['SessionView']
vi.mock('../../sound/signals', () => ({ soundTurn: vi.fn(), soundLast: vi.fn() }))

const session = (part: object = {}, drill: object = {}, cue: object = {}) =>
  ({
    id: 1,
    position: 0,
    running: true,
    drills: [
      { position: 0, allowedSeconds: 60, playedSeconds: 0, ...drill },
      { position: 1, allowedSeconds: 90, playedSeconds: 0 },
    ],
    cue: { graceSeconds: 0, turnsAtSeconds: null, ...cue },
    ...part,
  }) as unknown as Session

beforeEach(() => {
  vi.useFakeTimers({
    toFake: ['setInterval', 'clearInterval', 'setTimeout', 'clearTimeout', 'performance', 'Date'],
  })
})
const pass = (seconds: number) => {
  step(() => {
    vi.advanceTimersByTime(seconds * 1000)
  })
}

test('seconds run while the session runs, from what the file has', () => {
  const { result, rerender } = renderHook(({ of }) => usePlayed(of)[0], {
    initialProps: { of: session({}, { playedSeconds: 12 }) },
  })
  pass(3)
  expect(result.current).toBeCloseTo(15, 0)
  rerender({ of: session({ running: false }, { playedSeconds: 15 }) })
  pass(30)
  expect(result.current).toBeCloseTo(15, 0)
})

test('a closed lid is no practice, and another drill begins at its own seconds', () => {
  const { result, rerender } = renderHook(({ of }) => usePlayed(of)[0], { initialProps: { of: session() } })
  pass(4)
  // The page slept for an hour: its timers did not run meanwhile.
  const slept = performance.now() + 3_600_000
  vi.spyOn(performance, 'now').mockImplementation(() => slept)
  pass(0.2)
  expect(result.current).toBeCloseTo(4, 0)
  vi.restoreAllMocks()
  rerender({ of: session({ position: 1 }) })
  expect(result.current).toBeLessThan(1)
})

test('what the file has beyond the page (another window) is taken over, less is not', () => {
  const { result, rerender } = renderHook(({ of }) => usePlayed(of)[0], { initialProps: { of: session() } })
  pass(5)
  rerender({ of: session({}, { playedSeconds: 20 }) })
  pass(1)
  expect(result.current).toBeCloseTo(21, 0)
  rerender({ of: session({}, { playedSeconds: 2 }) })
  pass(1)
  expect(result.current).toBeCloseTo(22, 0)
})

const turning = (of: Session) => {
  const act = vi.fn()
  const look = vi.fn(async () => undefined)
  const hook = renderHook(({ now, at }) => useTurn(now, at, act, look), { initialProps: { now: of, at: 0 } })
  return { act, look, at: (at: number, now = of) => hook.rerender({ now, at }) }
}

test('a drill turns when its time is up, once, and again when it was opened again', () => {
  const stage = turning(session())
  stage.at(59.9)
  expect(stage.act).not.toHaveBeenCalled()
  stage.at(60)
  stage.at(60.2)
  expect(stage.act.mock.calls).toEqual([['Done']])
  // Back: it has a minute more, and ends again.
  const again = session({}, { allowedSeconds: 120 })
  stage.at(61, again)
  stage.at(120, again)
  expect(stage.act).toHaveBeenCalledTimes(2)
})

test('a take under way may end first', () => {
  const stage = turning(session({}, {}, { graceSeconds: 20 }))
  stage.at(70)
  expect(stage.act).not.toHaveBeenCalled()
  stage.at(80)
  expect(stage.act).toHaveBeenCalledOnce()
})

test('where work and rest take turns the file is asked at once, once a turn', () => {
  const stage = turning(session({}, { allowedSeconds: 600 }, { turnsAtSeconds: 240 }))
  stage.at(239)
  expect(stage.look).not.toHaveBeenCalled()
  stage.at(240)
  stage.at(241)
  expect(stage.look).toHaveBeenCalledOnce()
})

test('nothing turns while it is paused', () => {
  const stage = turning(session({ running: false }))
  stage.at(500)
  expect(stage.act).not.toHaveBeenCalled()
})
