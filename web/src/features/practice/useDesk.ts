import { useQueryClient } from '@tanstack/react-query'
import { useNavigate, useSearchParams } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { useAwakeSeconds } from './useAwakeSeconds'

type Desk = Schemas['DeskView']

/** The page on which a drill is done that has one of its own; from the stage one comes back to it. */
export const deskPath = ({ kind, materialId }: Desk) =>
  ({
    SlowReading: `/music/${materialId}/read?stage`,
    FirstLook: `/craft/${materialId}/look?stage`,
    Shelf: '/journal/shelf?stage',
    NewMusic: '/read?stage',
    EarRound: '/ear?stage',
    PlayAlong: `/music/songs/${materialId}?stage`,
    Paper: `/read/${materialId}?stage`,
  })[kind]

export interface Leave {
  /** Where one goes from here: back to the stage, when this is a drill of today. */
  name: string
  fromStage: boolean
  /** @param done whether the drill is done with it. */
  go: (done: boolean) => Promise<void>
}

/** Back to where one came from; or to the stage, where the drill has had the time that was spent here. */
export function useDesk(
  kind: Desk['kind'],
  material: number | null,
  back: { name: string; to: string },
): Leave {
  const [search] = useSearchParams()
  const navigate = useNavigate()
  const queries = useQueryClient()
  const spent = useAwakeSeconds()
  if (!search.has('stage')) return { name: back.name, fromStage: false, go: async () => navigate(back.to) }
  const go = async (done: boolean) => {
    const key = api.queryOptions('get', '/api/session').queryKey
    const session = await ask(client.GET('/api/session'))
    const drill = session?.drills[session.position]
    if (done && session && drill?.desk?.kind === kind && drill.desk.materialId === material) {
      const body = {
        id: crypto.randomUUID(),
        sessionId: session.id,
        position: session.position,
        playedSeconds: drill.playedSeconds + spent(),
        kind: 'Done',
      } as const
      queries.setQueryData(key, await ask(client.POST('/api/session/act', { body })))
    }
    await navigate('/practise')
  }
  return { name: 'back to the stage', fromStage: true, go }
}
