import { useEffect, useRef } from 'react'

export interface StageKeys {
  yes: () => void
  no: () => void
  pause: () => void
  /** What a pedal button means that is held; a pause where nothing else was chosen. */
  hold?: () => void
  letters: Record<string, () => void>
}

/** A pedal button held so long means something else: a pause, or to record. */
const holdMs = 700

/** Keys and the two-button pedal: right says yes, left says no, held means pause or what was chosen. */
export function useStageKeys(keys: StageKeys, enabled: boolean, letters = true) {
  const latest = useRef(keys)
  useEffect(() => {
    latest.current = keys
  })
  useEffect(() => {
    if (!enabled) return
    let down: { key: string; timer: number; held: boolean } | null = null
    const sideOf = (key: string) =>
      key === 'PageDown' || key === 'ArrowRight'
        ? 'yes'
        : key === 'PageUp' || key === 'ArrowLeft'
          ? 'no'
          : null
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return
      if (
        event.target instanceof HTMLElement &&
        event.target.closest('input, textarea, select, [role="dialog"]')
      )
        return
      // A player that has the focus has its own keys; the pedal is the stage's all the same.
      const inPlayer = event.target instanceof HTMLElement && event.target.closest('audio, video') !== null
      if (inPlayer && (event.key === ' ' || event.key.startsWith('Arrow'))) return
      const side = sideOf(event.key)
      if (side) {
        event.preventDefault()
        if (event.repeat || down) return
        const timer = window.setTimeout(() => {
          if (down) down.held = true
          const { hold, pause } = latest.current
          ;(hold ?? pause)()
        }, holdMs)
        down = { key: event.key, timer, held: false }
        return
      }
      if (event.repeat) return
      // A button that has the focus is pressed by the keys that press buttons.
      const onButton = event.target instanceof HTMLElement && event.target.closest('button') !== null
      if ((event.key === ' ' || event.key === 'Enter') && onButton) return
      if (event.key === ' ') {
        event.preventDefault()
        latest.current.pause()
        return
      }
      // Somebody who dictates, or leans on the keys, can switch the letters off.
      if (!letters && event.key.length === 1) return
      const action = latest.current.letters[event.key.length === 1 ? event.key.toLowerCase() : event.key]
      if (!action) return
      event.preventDefault()
      action()
    }
    const release = (event: KeyboardEvent) => {
      if (!down || event.key !== down.key) return
      window.clearTimeout(down.timer)
      const { held } = down
      down = null
      if (!held) latest.current[sideOf(event.key) ?? 'yes']()
    }
    // Let go somewhere else, it is never heard of again.
    const forget = () => {
      window.clearTimeout(down?.timer)
      down = null
    }
    window.addEventListener('blur', forget)
    window.addEventListener('keydown', press)
    window.addEventListener('keyup', release)
    return () => {
      forget()
      window.removeEventListener('blur', forget)
      window.removeEventListener('keydown', press)
      window.removeEventListener('keyup', release)
    }
  }, [enabled, letters])
}
