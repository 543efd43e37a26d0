import { useCallback, useEffect, useRef, useState } from 'react'
import { chosenBook } from '../api/book'

const placeOf = (name: string) => `draft:${chosenBook() ?? 'usual'}:${name}`

function read<T>(place: string): T | null {
  try {
    return JSON.parse(localStorage.getItem(place) ?? 'null') as T | null
  } catch {
    return null
  }
}

/**
 * Something being written. It is kept in this browser at every letter, until it is saved or thrown away: leaving the page, a
 * reload and a second window find it again.
 */
export function useDraft<T>(name: string, empty: T) {
  const place = placeOf(name)
  const start = useRef(empty)
  const [draft, setDraft] = useState<T>(() => read<T>(place) ?? empty)

  useEffect(() => {
    setDraft(read<T>(place) ?? start.current)
    const elsewhere = (event: StorageEvent) => {
      if (event.key === place) setDraft(read<T>(place) ?? start.current)
    }
    window.addEventListener('storage', elsewhere)
    return () => window.removeEventListener('storage', elsewhere)
  }, [place])

  const write = useCallback(
    (part: Partial<T>) =>
      setDraft((old) => {
        const next = { ...old, ...part }
        localStorage.setItem(place, JSON.stringify(next))
        return next
      }),
    [place],
  )
  const clear = useCallback(() => {
    localStorage.removeItem(place)
    setDraft(start.current)
  }, [place])
  /** It is kept elsewhere now; this page shows it until it is left. */
  const forget = useCallback(() => localStorage.removeItem(place), [place])
  return { draft, write, clear, forget }
}
