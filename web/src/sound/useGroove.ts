import { useCallback, useEffect, useRef, useState } from 'react'
import type { Schemas } from '../api/client'
import type { GrooveLoop } from './groove'
import { useWanted } from './useWanted'

/** Loops a groove; says which place sounds. */
export function useGroove(groove: Schemas['Groove'] | null | undefined) {
  const loop = useRef<GrooveLoop | null>(null)
  const wanted = useWanted()
  const [playing, setPlaying] = useState(false)
  const [place, setPlace] = useState<number | null>(null)
  const stop = useCallback(() => {
    wanted.end()
    loop.current?.stop()
    loop.current = null
    setPlaying(false)
    setPlace(null)
  }, [wanted])
  const start = useCallback(
    async (bpm: number, ownBar = false) => {
      if (!groove) return
      stop()
      const still = wanted.begin()
      setPlaying(true)
      const loaded = await import('./groove').catch(() => null)
      if (!still()) return
      if (!loaded) return setPlaying(false)
      loop.current = new loaded.GrooveLoop(groove, bpm, ownBar)
      loop.current.start()
    },
    [groove, stop, wanted],
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
