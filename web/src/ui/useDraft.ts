import { useCallback, useEffect, useRef, useState } from 'react'
import { chosenBook } from '../api/book'

const placeOf = (name: string, ofAnyBook: boolean) =>
  `draft:${ofAnyBook ? 'any' : (chosenBook() ?? 'usual')}:${name}`

function read<T>(place: string): T | null {
  try {
    return JSON.parse(localStorage.getItem(place) ?? 'null') as T | null
  } catch {
    return null
  }
}

/**
 * Something being written. It is kept in this browser at every letter, until it is saved or thrown away: leaving the page, a
 * reload and a second window find it again. It belongs to the book it was begun in, or, before there is one, to none.
 */
export function useDraft<T>(name: string, empty: T, ofAnyBook = false) {
  const place = placeOf(name, ofAnyBook)
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
