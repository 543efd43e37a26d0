import { api } from './client'

/** The practice day: what the server goes by, never the clock of this browser. Nothing is shown before it is known. */
export function usePracticeDay() {
  return api.useQuery('get', '/api/about').data?.today ?? '2000-01-01'
}
