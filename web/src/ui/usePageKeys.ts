import { useEffect, useRef } from 'react'

/** Where something is written or chosen all keys are its own. */
const ownKeys =
  'input, textarea, select, audio, video, [role="slider"], [role="tab"], [role="radio"], [role^="menu"], [role="dialog"]'
/** What is pressed keeps these two; it may still have the focus when a key or the pedal is wanted. */
const pressKeys = [' ', 'Enter']

/** Keys and pedal of a page, but for where something is written, chosen or pressed by them. */
export function usePageKeys(keys: Record<string, () => void>) {
  const latest = useRef(keys)
  useEffect(() => {
    latest.current = keys
  })
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return
      const own = pressKeys.includes(event.key) ? `${ownKeys}, button, a, summary` : ownKeys
      if (event.target instanceof HTMLElement && event.target.closest(own)) return
      const action = latest.current[event.key.length === 1 ? event.key.toLowerCase() : event.key]
      if (!action) return
      event.preventDefault()
      action()
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [])
}
