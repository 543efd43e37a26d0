import { useQueryClient } from '@tanstack/react-query'
import { useCallback } from 'react'
import type { paths } from './schema'

/** Lists of the program itself: nothing that is saved changes them. */
const lists = new Set<unknown>(['/api/choices', '/api/instruments'] satisfies (keyof paths)[])

/**
 * After something was saved: what stands on the screen is fetched anew where the save may have changed it, and everything else when it is
 * looked at next. Paths narrow it down to the answers that a save alone can change.
 */
export function useSaved() {
  const queries = useQueryClient()
  return useCallback(
    (...only: (keyof paths)[]) =>
      queries.invalidateQueries({
        predicate: ({ queryKey: [, path] }) =>
          only.length > 0 ? only.includes(path as keyof paths) : !lists.has(path),
      }),
    [queries],
  )
}
