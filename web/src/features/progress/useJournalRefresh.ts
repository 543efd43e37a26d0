import { useSaved } from '../../api/saved'

/** What a change of the journal makes stale; what is carried over stands in the day's plan. */
export function useJournalRefresh() {
  const saved = useSaved()
  return () =>
    saved(
      '/api/journal',
      '/api/journal/days/{day}',
      '/api/journal/{id}/before',
      '/api/journal/phrases',
      '/api/today',
    )
}
