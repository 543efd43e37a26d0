import { useQueryClient } from '@tanstack/react-query'
import { api, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { useProblem } from '../../ui/refusal'

/** The coming week; what is changed of it is asked of the server and shown as it then stands. */
export function useAhead() {
  const queries = useQueryClient()
  const saved = useSaved()
  const { problem, run } = useProblem()
  const view = api.useQuery('get', '/api/week/ahead').data
  const change = async (act: () => Promise<Schemas['AheadView']>) => {
    const next = await run(act)
    if (!next) return false
    await saved()
    queries.setQueryData(api.queryOptions('get', '/api/week/ahead').queryKey, next)
    return true
  }
  return { view, problem, change }
}

export type Ahead = ReturnType<typeof useAhead>
