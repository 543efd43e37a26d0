import { useCallback, useEffect, useRef, useState } from 'react'
import type { Schemas } from '../api/client'
import type { GrooveLoop } from './groove'

/** Loops a groove; says which place sounds. */
export function useGroove(groove: Schemas['Groove'] | null | undefined) {
  const loop = useRef<GrooveLoop | null>(null)
  const [playing, setPlaying] = useState(false)
  const [place, setPlace] = useState<number | null>(null)
  const stop = useCallback(() => {
    loop.current?.stop()
    loop.current = null
    setPlaying(false)
    setPlace(null)
  }, [])
  const start = useCallback(
    async (bpm: number, ownBar = false) => {
      if (!groove) return
      stop()
      setPlaying(true)
      const { GrooveLoop } = await import('./groove')
      loop.current = new GrooveLoop(groove, bpm, ownBar)
      loop.current.start()
    },
    [groove, stop],
  )
  useEffect(() => stop, [stop])
  useEffect(() => {
    if (!playing) return
    let frame = 0
    const look = () => {
      setPlace(loop.current?.place() ?? null)
      frame = requestAnimationFrame(look)
    }
    frame = requestAnimationFrame(look)
    return () => cancelAnimationFrame(frame)
  }, [playing])
  return { playing, place, start, stop }
}
