import { useCallback, useEffect, useRef, useState } from 'react'
import type { Played } from './piano'

/** Plays notes on the piano, which is loaded when it is first asked for. */
export function usePlayback() {
  const running = useRef<{ stop: () => void } | null>(null)
  const turn = useRef(0)
  const [playing, setPlaying] = useState(false)
  const stop = useCallback(() => {
    turn.current++
    running.current?.stop()
    running.current = null
    setPlaying(false)
  }, [])
  const start = useCallback(
    async (notes: Played[], bpm: number, a4: number) => {
      stop()
      setPlaying(true)
      const mineIs = turn.current
      const { play } = await import('./piano')
      const mine = await play(notes, bpm, a4)
      // Stopped while the samples were being loaded.
      if (turn.current !== mineIs) {
        mine.stop()
        return
      }
      const timer = window.setTimeout(() => setPlaying(false), (mine.seconds + 0.4) * 1000)
      running.current = {
        stop: () => {
          window.clearTimeout(timer)
          mine.stop()
        },
      }
    },
    [stop],
  )
  useEffect(() => stop, [stop])
  return { playing, start, stop }
}
