import { useSaved } from '../../api/saved'

/** What a change of the journal makes stale. */
export function useJournalRefresh() {
  const saved = useSaved()
  return () => saved('/api/journal')
}
