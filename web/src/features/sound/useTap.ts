import { useRef } from 'react'

/** A pause longer than this begins a new tapping. */
const pauseMs = 2500

/** The tempo of taps: their mean gap, from the second tap on. */
export function useTap(choose: (bpm: number) => void) {
  const taps = useRef<number[]>([])
  return () => {
    const now = performance.now()
    const last = taps.current.at(-1)
    if (last !== undefined && now - last > pauseMs) taps.current = []
    taps.current.push(now)
    const first = taps.current.at(-9) ?? taps.current[0]!
    const count = Math.min(8, taps.current.length - 1)
    if (count > 0) choose((60_000 * count) / (now - first))
  }
}
