import { useQueryClient } from '@tanstack/react-query'
import { api, ask, client, type Schemas } from '../../api/client'
import { useProblem } from '../../ui/fields'

/** Today's plan and what may be done with it. A plan changed elsewhere is loaded again and the refusal shown. */
export function useToday() {
  const queries = useQueryClient()
  const query = api.useQuery('get', '/api/today')
  const key = api.queryOptions('get', '/api/today').queryKey
  const { problem, run, clear } = useProblem()
  const version = query.data?.version ?? 0

  const keep = async (work: () => Promise<Schemas['TodayView']>) => {
    const view = await run(work)
    if (view) queries.setQueryData(key, view)
    else await query.refetch()
    return view
  }

  return {
    today: query.data,
    problem,
    refused: (query.error as { detail?: string } | null)?.detail,
    clear,
    wish: (wish: Omit<Schemas['TodayWish'], 'version'>) =>
      keep(() => ask(client.PUT('/api/today', { body: { ...wish, version } }))),
    change: (change: Omit<Schemas['ChangeWish'], 'version'>) =>
      keep(() => ask(client.POST('/api/today/changes', { body: { ...change, version } }))),
    anew: () => keep(() => ask(client.POST('/api/today/anew', { body: { version } }))),
    begin: () => run(() => ask(client.POST('/api/session', { body: { version } }))),
    tellBody: async (wish: Schemas['BodyWish']) => {
      await run(() => ask(client.POST('/api/body', { body: wish })))
      await query.refetch()
    },
  }
}

export type Today = ReturnType<typeof useToday>
