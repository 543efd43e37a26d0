import { useQueryClient } from '@tanstack/react-query'
import { ask, client, type Schemas } from '../../api/client'
import { useProblem } from '../../ui/refusal'

/** Less of a thing from tomorrow on, or as usual again; what shows it is loaded anew. */
export function useRelief() {
  const queries = useQueryClient()
  const { problem, run } = useProblem()
  const give = (id: number, relief: Schemas['Relief']) =>
    run(async () => {
      await ask(client.POST('/api/materials/{id}/relief', { params: { path: { id } }, body: { relief } }))
      await queries.invalidateQueries()
      return true
    })
  return { problem, give }
}
