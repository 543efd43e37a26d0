import { useCallback, useEffect, useRef } from 'react'

/** A longer gap between two looks at the clock was sleep, of the machine or of the page. */
const mostGap = 70

const everyMs = 1000

/** Seconds that this page was there and awake: a closed lid adds nothing. */
export function useAwakeSeconds() {
  const total = useRef(0)
  const last = useRef(0)
  const count = useCallback(() => {
    const now = Date.now()
    const gap = (now - last.current) / 1000
    last.current = now
    if (gap > 0 && gap <= mostGap) total.current += gap
    return total.current
  }, [])
  useEffect(() => {
    last.current = Date.now()
    const timer = setInterval(count, everyMs)
    return () => clearInterval(timer)
  }, [count])
  return count
}
