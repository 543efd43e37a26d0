import { useEffect, useRef } from 'react'

/** Keys and pedal of a page, but for where something is written, chosen or pressed. */
export function usePageKeys(keys: Record<string, () => void>) {
  const latest = useRef(keys)
  useEffect(() => {
    latest.current = keys
  })
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return
      const { target } = event
      if (
        target instanceof HTMLElement &&
        target.closest('input, textarea, select, button, a, audio, video, [role="slider"], [role="dialog"]')
      )
        return
      const action = latest.current[event.key.length === 1 ? event.key.toLowerCase() : event.key]
      if (!action) return
      event.preventDefault()
      action()
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [])
}
