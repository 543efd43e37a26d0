import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, renderHook } from '@testing-library/react'
import type { ReactNode } from 'react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { client, type Schemas } from '../../api/client'
import { useListening } from './useListening'

const wishes: { heard: (answer: unknown) => void; ended: () => void }[] = []
const stops: number[] = []
const anews: number[] = []
vi.mock('../../sound/listen', () => ({
  listen: (_: MediaStream, wish: (typeof wishes)[number]) => {
    wishes.push(wish)
    return Promise.resolve({
      stop: () => stops.push(1),
      say: () => {},
      secondsAt: () => 0,
      done: () => {},
      anew: () => anews.push(1),
    })
  },
}))
vi.mock('../../sound/output', () => ({ nativeClock: () => undefined, now: () => 0 }))
vi.mock('../recording/microphone', () => ({
  openMicrophone: () => Promise.resolve({ getAudioTracks: () => [], getTracks: () => [] }),
  close: () => {},
  microphoneWords: () => 'no microphone',
}))

const trust = { agreed: 20, differed: 1, needed: 20, mayMark: true }
const take = { id: 7, clean: false, marked: null, faults: [], timing: [], late: [], help: '' }
const answer = (data: unknown) => ({ data, response: new Response(null, { status: 200 }) })
const session = (position: number, tempo = 80) =>
  ({
    id: 1,
    position,
    running: true,
    target: { key: 'material:1', tempo },
    cue: { countsTakes: position !== unmarked },
  }) as Schemas['SessionView']
/** The place of a drill whose takes are not marked. */
const unmarked = 9
const sound = { clicking: false, beat: () => null, bar: 4, pureDrone: null }

interface At {
  at: number
  tempo?: number
}

function listened(mark: (clean: boolean, heardId: number) => void, at = 0) {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={queries}>{children}</QueryClientProvider>
  )
  return renderHook(({ at, tempo }: At) => useListening(session(at, tempo), sound, mark), {
    wrapper,
    initialProps: { at } as At,
  })
}

beforeEach(() => {
  wishes.length = stops.length = anews.length = 0
  localStorage.setItem('stage-heard-marks', 'on')
  vi.spyOn(client, 'GET').mockImplementation((() => Promise.resolve(answer(trust))) as never)
  vi.spyOn(client, 'PUT').mockImplementation((() => Promise.resolve(answer(take))) as never)
})
afterEach(() => {
  vi.useRealTimers()
  vi.restoreAllMocks()
  localStorage.clear()
})

async function begun(mark: (clean: boolean, heardId: number) => void) {
  const hook = listened(mark)
  act(() => hook.result.current.toggle())
  await vi.waitFor(() => expect(hook.result.current.mayMark).toBe(true))
  vi.useFakeTimers()
  act(() => wishes[0]!.heard({ notes: 0, heard: take, word: '' }))
  return hook
}

test('what is heard marks a take after two seconds in which nothing was said against it', async () => {
  const mark = vi.fn()
  const hook = await begun(mark)
  expect(hook.result.current.proposed).toBe(true)
  act(() => void vi.advanceTimersByTime(1900))
  expect(mark).not.toHaveBeenCalled()
  act(() => void vi.advanceTimersByTime(200))
  expect(mark).toHaveBeenCalledExactlyOnceWith(false, take.id)
  expect(hook.result.current.heard?.marked).toBe(false)
})

test('the player overrules it', async () => {
  const mark = vi.fn()
  const hook = await begun(mark)
  // The take that is meant, so that its tempo counts; of one that was not heard there is none.
  act(() => expect(hook.result.current.marked(true)).toBe(take.id))
  act(() => expect(hook.result.current.marked(true)).toBeUndefined())
  act(() => void vi.advanceTimersByTime(5000))
  expect(mark).not.toHaveBeenCalled()
  expect(hook.result.current.heard?.marked).toBe(true)
})

test('a take that was marked before its verdict came is not marked again: the two belong together', async () => {
  const mark = vi.fn()
  const hook = await begun(mark)
  act(() => void hook.result.current.marked(true))
  act(() => void hook.result.current.marked(false))
  act(() => wishes[0]!.heard({ notes: 0, heard: { ...take, id: 8 }, word: '' }))
  expect(hook.result.current.heard).toMatchObject({ id: 8, marked: false })
  act(() => void vi.advanceTimersByTime(5000))
  expect(mark).not.toHaveBeenCalled()
  // Later than that it is another take.
  act(() => void hook.result.current.marked(true))
  act(() => void vi.advanceTimersByTime(3000))
  act(() => wishes[0]!.heard({ notes: 0, heard: { ...take, id: 9 }, word: '' }))
  expect(hook.result.current.proposed).toBe(true)
})

test('another tempo takes a proposal back', async () => {
  const mark = vi.fn()
  const hook = await begun(mark)
  act(() => hook.rerender({ at: 0, tempo: 82 }))
  act(() => void vi.advanceTimersByTime(5000))
  expect(mark).not.toHaveBeenCalled()
  // The microphone goes on; it is another thing that is listened for.
  expect([stops.length, anews.length]).toEqual([0, 1])
})

test('what was said of a take stands until the next one is under way', async () => {
  const hook = await begun(vi.fn())
  act(() => void hook.result.current.marked(false))
  act(() => hook.rerender({ at: 0, tempo: 82 }))
  expect(hook.result.current.heard).toMatchObject({ id: 7, marked: false })
  act(() => wishes[0]!.heard({ notes: 1, heard: null, word: '' }))
  expect(hook.result.current.heard).not.toBeNull()
  act(() => wishes[0]!.heard({ notes: 2, heard: null, word: '' }))
  expect(hook.result.current.heard).toBeNull()
})

test('it stops with the drill, and a proposal with it', async () => {
  const mark = vi.fn()
  const hook = await begun(mark)
  act(() => hook.rerender({ at: 1 }))
  act(() => void vi.advanceTimersByTime(5000))
  expect(stops).toHaveLength(1)
  expect(hook.result.current.state).toBe('off')
  expect(mark).not.toHaveBeenCalled()
  // What was said of the last take is read in the next drill, and no longer.
  expect(hook.result.current.heard?.id).toBe(7)
  act(() => hook.rerender({ at: 2 }))
  expect(hook.result.current.heard).toBeNull()
})

test('where no takes are marked the microphone stays closed, and that is said', () => {
  const hook = listened(vi.fn(), unmarked)
  act(() => hook.result.current.toggle())
  expect(hook.result.current.word).toContain('No takes are marked')
  expect([hook.result.current.state, wishes.length]).toEqual(['off', 0])
})

test('between two things that are written it waits at one that is not', async () => {
  const hook = await begun(vi.fn())
  act(() => hook.result.current.forget())
  const word = 'There are no notes here.'
  act(() => wishes[0]!.heard({ notes: 0, heard: null, word, waits: true }))
  expect([hook.result.current.state, hook.result.current.said]).toEqual(['on', { word, waits: true }])
  act(() => wishes[0]!.heard({ notes: 0, heard: null, word: '', waits: false }))
  expect(hook.result.current.said).toEqual({ word: '', waits: false })
})
