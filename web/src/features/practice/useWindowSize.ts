import { useEffect, useState } from 'react'

const now = () => ({ width: window.innerWidth, height: window.innerHeight })

/** Width and height of the window. */
export function useWindowSize() {
  const [size, setSize] = useState(now)
  useEffect(() => {
    const look = () => setSize(now())
    window.addEventListener('resize', look)
    return () => window.removeEventListener('resize', look)
  }, [])
  return size
}
