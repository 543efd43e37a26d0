import { useEffect, useState } from 'react'

/** What was typed, once the hand has paused; asking at every letter would ask too often. */
export function usePause<T>(value: T, milliseconds = 350): T {
  const [settled, setSettled] = useState(value)
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), milliseconds)
    return () => clearTimeout(timer)
  }, [value, milliseconds])
  return settled
}
