import { act, renderHook } from '@testing-library/react'
import { beforeEach, expect, test, vi } from 'vitest'
import { client, type Schemas } from '../../api/client'
import { useStageRecording } from './useStageRecording'

type Session = Schemas['SessionView']
const kept = { id: 4, seconds: 8, clean: null } as Schemas['RecordingView']
const recorder = vi.hoisted(() => ({ value: {} as Record<string, unknown> }))
vi.mock('../recording/useRecorder', () => ({ useRecorder: () => recorder.value }))

const at = (position: number, key: string) =>
  ({ id: 1, position, running: true, drills: [{}, {}], target: { key, title: key } }) as unknown as Session
const sound = { clicking: false, countIn: () => Promise.resolve(null) }
const sent = vi.fn()

beforeEach(() => {
  sent.mockClear()
  vi.spyOn(client, 'POST').mockImplementation(((path: string, options: { body: unknown }) => {
    sent(path, options.body)
    return Promise.resolve({ data: kept, response: new Response(null, { status: 200 }) })
  }) as never)
})

/** A take of a thing is recorded, and has ended by itself before it was marked. */
async function recorded(session: Session) {
  const still = { start: () => Promise.resolve(true), stop: vi.fn(), stopIn: vi.fn(), keep: vi.fn() }
  recorder.value = { ...still, state: 'off', kept: null }
  const stage = renderHook((now: Session) => useStageRecording(now, sound), { initialProps: session })
  await act(async () => {
    stage.result.current.toggle()
    await Promise.resolve()
  })
  recorder.value = { ...still, state: 'off', kept }
  stage.rerender(session)
  return stage
}

test('a take that is marked after its recording ended is marked there too', async () => {
  const stage = await recorded(at(0, 'm:1'))
  act(() => stage.result.current.marked(true))
  expect(sent).toHaveBeenCalledWith('/api/recordings/{id}/end', { seconds: 8, clean: true })
})

test('a take of another thing leaves the recording before it as it is', async () => {
  const stage = await recorded(at(0, 'm:1'))
  stage.rerender(at(1, 'm:2'))
  act(() => stage.result.current.marked(true))
  expect(sent).not.toHaveBeenCalled()
})
