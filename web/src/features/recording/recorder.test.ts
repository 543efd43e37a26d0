import { beforeEach, expect, test, vi } from 'vitest'
import { client } from '../../api/client'
import { Recorder } from './recorder'

/** What stands for the browser's recorder: pieces come when the test says so. */
class Media {
  static last: Media
  static isTypeSupported = (kind: string) => kind.includes('webm')
  state = 'inactive'
  mimeType = 'audio/webm;codecs=opus'
  ondataavailable: (event: { data: Blob }) => void = () => {}
  onstart = () => {}
  onstop = () => {}
  constructor() {
    Media.last = this
  }
  start() {
    this.state = 'recording'
  }
  piece(text: string) {
    this.ondataavailable({ data: new Blob([text]) })
  }
  stop() {
    this.state = 'inactive'
    this.piece('the end')
    this.onstop()
  }
}

interface Track {
  stop: () => void
  onended: () => void
}
const track: Track = { stop: vi.fn(), onended: () => {} }
const stream = { getTracks: () => [track], getAudioTracks: () => [track] } as unknown as MediaStream
const listener = () => ({ away: vi.fn(), kept: vi.fn(), failed: vi.fn(), gone: vi.fn() })

/** A server that keeps what comes; it can be away, and it can lose an answer. */
function server() {
  const one = { kept: '', isAway: false, losesAnswers: 0, ended: [] as unknown[] }
  vi.spyOn(client, 'POST').mockImplementation((async (path: string, options: never) => {
    const { body, params } = options as { body: Blob; params?: { query?: { at: number } } }
    if (one.isAway) throw new TypeError('fetch failed')
    if (path.endsWith('/sound')) {
      const text = await body.text()
      one.kept = one.kept.slice(0, params!.query!.at) + text
      if (one.losesAnswers-- > 0) throw new TypeError('fetch failed')
    }
    if (path.endsWith('/end')) one.ended.push(body)
    return { data: { id: 4, bytes: one.kept.length }, response: new Response(null, { status: 200 }) }
  }) as never)
  return one
}
const settle = () => vi.advanceTimersByTimeAsync(5000)

beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('MediaRecorder', Media)
})

test('what is recorded arrives in order, while the program is away too, and answers that are lost double nothing', async () => {
  const there = server()
  const told = listener()
  const recorder = new Recorder(stream, { materialId: 3 }, told)
  Media.last.piece('one,')
  await settle()
  there.isAway = true
  Media.last.piece('two,')
  Media.last.piece('three,')
  await settle()
  expect(told.away).toHaveBeenLastCalledWith(true)
  there.isAway = false
  there.losesAnswers = 1
  await settle()
  expect(there.kept).toBe('one,two,three,')
  recorder.stop(true)
  await settle()
  expect(there.kept).toBe('one,two,three,the end')
  expect(there.ended).toEqual([{ seconds: expect.any(Number) as number, clean: true }])
  expect(told.kept).toHaveBeenCalledOnce()
  expect(track.stop).toHaveBeenCalled()
})

test('a microphone that vanishes ends it, and what came is kept', async () => {
  const there = server()
  const told = listener()
  new Recorder(stream, { materialId: null }, told)
  Media.last.piece('until then,')
  track.onended()
  await settle()
  expect(told.gone).toHaveBeenCalledOnce()
  expect(there.kept).toBe('until then,the end')
  expect(told.kept).toHaveBeenCalledOnce()
})

test('its length counts from when the browser records, which is later than it was asked to', async () => {
  server()
  const recorder = new Recorder(stream, { materialId: 3 }, listener())
  await vi.advanceTimersByTimeAsync(3000)
  Media.last.onstart()
  await vi.advanceTimersByTimeAsync(2000)
  expect(recorder.length).toBeCloseTo(2, 5)
})
