import { useCallback, useEffect, useRef, useState } from 'react'
import type { Played } from './piano'
import { useWanted } from './useWanted'

/** Plays notes on the piano, which is loaded when it is first asked for. */
export function usePlayback() {
  const running = useRef<{ stop: () => void } | null>(null)
  const wanted = useWanted()
  const [playing, setPlaying] = useState(false)
  const [failed, setFailed] = useState(false)
  const stop = useCallback(() => {
    wanted.end()
    running.current?.stop()
    running.current = null
    setPlaying(false)
  }, [wanted])
  const start = useCallback(
    async (notes: Played[], bpm: number, a4: number) => {
      stop()
      setPlaying(true)
      const still = wanted.begin()
      const mine = await import('./piano').then((piano) => piano.play(notes, bpm, a4)).catch(() => null)
      // Stopped while the samples were being loaded.
      if (!still()) return mine?.stop()
      setFailed(!mine)
      if (!mine) return setPlaying(false)
      const timer = window.setTimeout(() => setPlaying(false), (mine.seconds + 0.4) * 1000)
      running.current = {
        stop: () => {
          window.clearTimeout(timer)
          mine.stop()
        },
      }
    },
    [stop, wanted],
  )
  useEffect(() => stop, [stop])
  return { playing, failed, start, stop }
}
