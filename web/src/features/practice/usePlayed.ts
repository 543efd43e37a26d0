import { useCallback, useEffect, useRef, useState } from 'react'
import type { Schemas } from '../../api/client'

/** A gap longer than this between two ticks is a closed lid, not practice. */
const longestTick = 5

/**
 * Seconds played of the drill on the stage: what the file has, and what has run since. Each look at the clock also shows
 * it, so that a hidden page, whose timers are slowed, turns its drills when the pulse looks.
 */
export function usePlayed(session: Schemas['SessionView'] | undefined): [number, () => number] {
  const drill = session?.drills[session.position]
  const place = session ? `${session.id}:${session.position}` : ''
  const count = useRef({ place: '', seconds: 0, at: 0 })
  const [shown, setShown] = useState({ place: '', seconds: 0 })
  const running = session?.running ?? false
  const saved = drill?.playedSeconds ?? 0

  const tick = useCallback(() => {
    const now = performance.now() / 1000
    const state = count.current
    const gone = now - state.at
    if (running && gone > 0 && gone < longestTick) state.seconds += gone
    state.at = now
    setShown({ place, seconds: state.seconds })
    return state.seconds
  }, [running, place])

  useEffect(() => {
    if (count.current.place !== place) count.current = { place, seconds: saved, at: performance.now() / 1000 }
    count.current.seconds = Math.max(count.current.seconds, saved)
  }, [place, saved])

  useEffect(() => {
    count.current.at = performance.now() / 1000
    const timer = setInterval(tick, 200)
    return () => clearInterval(timer)
  }, [tick])

  return [shown.place === place ? shown.seconds : saved, tick]
}
