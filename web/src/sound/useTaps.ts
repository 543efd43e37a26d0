import { useEffect, useRef } from 'react'

/** Keys that tap: whatever lies under a hand or a foot. */
const tapping = new Set([
  ' ',
  'PageDown',
  'PageUp',
  'ArrowLeft',
  'ArrowRight',
  'ArrowDown',
  'ArrowUp',
  'f',
  'j',
])

/**
 * Taps by key, pedal or touch, each when it goes down.
 * @param running whether it listens
 * @param tap told how many milliseconds ago it went down
 */
export function useTaps(running: boolean, tap: (agoMs: number) => void) {
  const latest = useRef(tap)
  useEffect(() => {
    latest.current = tap
  })
  useEffect(() => {
    if (!running) return
    const ago = (event: Event) => Math.max(0, performance.now() - event.timeStamp)
    const key = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || !tapping.has(event.key)) return
      event.preventDefault()
      if (!event.repeat) latest.current(ago(event))
    }
    const touch = (event: PointerEvent) => {
      // Buttons keep what they do.
      if (event.target instanceof Element && event.target.closest('button, a, input')) return
      latest.current(ago(event))
    }
    window.addEventListener('keydown', key, true)
    window.addEventListener('pointerdown', touch)
    return () => {
      window.removeEventListener('keydown', key, true)
      window.removeEventListener('pointerdown', touch)
    }
  }, [running])
}
