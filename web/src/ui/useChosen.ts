import { useState } from 'react'

/** Something that is on or off, chosen in this browser and kept by it. */
export function useChosen(place: string, usual: boolean) {
  const [on, setOn] = useState(() => isChosen(place, usual))
  return {
    on,
    set: (next: boolean) => {
      localStorage.setItem(place, next ? 'on' : 'off')
      setOn(next)
    },
  }
}

/** The same at one moment, where nothing is shown of it. */
export const isChosen = (place: string, usual: boolean) => {
  const kept = localStorage.getItem(place)
  return kept === null ? usual : kept === 'on'
}
