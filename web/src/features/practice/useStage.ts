import { useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState } from 'react'
import { api, ask, client, type Problem, type Schemas } from '../../api/client'
import { Outbox } from './outbox'
import { useAwake } from './useAwake'
import { usePlayed } from './usePlayed'
import { useTurn } from './useTurn'

type Session = Schemas['SessionView']
type Kind = Schemas['StageAct']
/** What an act says beside its kind and its value. */
type Said = Pick<Schemas['ActWish'], 'seconds' | 'lateAt' | 'heardId'>

/** The session, its running clock, and what can be done on the stage. */
export function useStage() {
  const queries = useQueryClient()
  const query = api.useQuery('get', '/api/session', undefined, { throwOnError: false })
  const key = api.queryOptions('get', '/api/session').queryKey
  const session = query.data
  const id = session?.id
  const [problem, setProblem] = useState<Problem | null>(null)
  const [away, setAway] = useState(false)
  const [played, tick] = usePlayed(session)

  const outbox = useRef<Outbox | null>(null)
  const over = useCallback(
    (told: Problem) => {
      setProblem(told)
      void queries.invalidateQueries({ queryKey: key })
    },
    // The key is the same for the life of the page.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [queries],
  )
  useEffect(() => {
    if (id === undefined) return
    const box = new Outbox(id, {
      answered: (view) => {
        setProblem(null)
        queries.setQueryData(key, view)
      },
      refused: setProblem,
      away: setAway,
      over,
    })
    outbox.current = box
    return () => {
      box.stop()
      outbox.current = null
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id, queries, over])

  const act = useCallback(
    (kind: Kind, value?: number, said: Said = {}) => {
      if (!session) return
      outbox.current?.add({
        id: crypto.randomUUID(),
        sessionId: session.id,
        position: session.position,
        playedSeconds: tick(),
        kind,
        value,
        key: session.target?.key,
        ...said,
      })
    },
    [session, tick],
  )

  const pulse = usePulse(session, tick, setAway, over)
  useTurn(session, played, act, pulse)
  useAwake(session?.running ?? false)
  return {
    session,
    played,
    act,
    problem,
    away,
    dismiss: () => setProblem(null),
    loaded: query.isFetched,
    failed: query.isError && !query.data,
  }
}

export type StageState = ReturnType<typeof useStage>

/** Every second the file learns how far the drill is; and at once when it is asked to. */
function usePulse(
  session: Session | undefined,
  tick: () => number,
  setAway: (away: boolean) => void,
  over: (problem: Problem) => void,
) {
  const queries = useQueryClient()
  const sessionId = session?.id
  const position = session?.position
  const running = session?.running ?? false
  const pulse = useCallback(
    async (look = false) => {
      if (sessionId === undefined || position === undefined) return
      const playedSeconds = tick()
      try {
        const seen = await ask(
          client.POST('/api/session/pulse', { body: { sessionId, position, playedSeconds } }),
        )
        setAway(false)
        // Another window has moved on or paused, or what is to be done has changed by the clock.
        if (look || seen.position !== position || !seen.running)
          await queries.invalidateQueries({ queryKey: api.queryOptions('get', '/api/session').queryKey })
      } catch (error) {
        const told = error as Problem
        if (told.field === 'session') over(told)
        else setAway(true)
      }
    },
    [sessionId, position, tick, setAway, over, queries],
  )
  useEffect(() => {
    if (!running) return
    const worker = new Worker(new URL('./pulse.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = () => void pulse()
    return () => worker.terminate()
  }, [running, pulse])
  return pulse
}
