import { renderHook, act } from '@testing-library/react'
import { expect, test, vi } from 'vitest'
import { useRecorder } from './useRecorder'

test('a microphone that is allowed after the page was left is closed at once', async () => {
  let allow: (stream: MediaStream) => void = () => {}
  const track = { stop: vi.fn() }
  const stream = { getTracks: () => [track], getAudioTracks: () => [track] } as unknown as MediaStream
  const getUserMedia = () => new Promise<MediaStream>((tell) => (allow = tell))
  vi.stubGlobal('navigator', { ...navigator, mediaDevices: { getUserMedia } })
  const records = vi.fn()
  vi.stubGlobal('MediaRecorder', records)
  const page = renderHook(() => useRecorder())
  let begun: Promise<boolean> | undefined
  act(() => {
    begun = page.result.current.start({ materialId: null })
  })
  page.unmount()
  allow(stream)
  expect(await begun).toBe(false)
  expect(track.stop).toHaveBeenCalled()
  expect(records).not.toHaveBeenCalled()
})
