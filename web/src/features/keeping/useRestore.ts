import { useQueryClient } from '@tanstack/react-query'
import { ask, client } from '../../api/client'

/** Puts a backup in the place of the book, and shows everything anew. */
export function useRestore(run: <T>(work: () => Promise<T>) => Promise<T | undefined>) {
  const queries = useQueryClient()
  return async (name: string, second: boolean) => {
    const done = await run(() =>
      ask(client.POST('/api/backups/{name}/restore', { params: { path: { name }, query: { second } } })),
    )
    if (done) await queries.resetQueries()
    return done
  }
}
