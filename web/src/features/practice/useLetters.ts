import { useState } from 'react'

const place = 'stage-letters'

/** Whether single letters, figures and signs do things on the stage; kept in this browser. */
export function useLetters() {
  const [on, setOn] = useState(() => localStorage.getItem(place) !== 'off')
  return {
    on,
    set: (next: boolean) => {
      localStorage.setItem(place, next ? 'on' : 'off')
      setOn(next)
    },
  }
}
