import { useQueryClient } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { api, ask, client, refusalOf, type Schemas } from '../../api/client'
import { useProblem } from '../../ui/refusal'

type View = Schemas['TodayView']
type Wish = Omit<Schemas['TodayWish'], 'version' | 'letGo'>

/**
 * Today's plan and what may be done with it. What is done quickly one after the other (a field left by the tap on a button)
 * waits in turn, each with the version the one before has made, so that nothing is lost. A plan changed elsewhere is loaded
 * again and the refusal shown.
 */
export function useToday() {
  const queries = useQueryClient()
  const query = api.useQuery('get', '/api/today')
  const key = api.queryOptions('get', '/api/today').queryKey
  const { problem, run, clear } = useProblem()
  const [unkept, setUnkept] = useState<Wish | null>(null)
  const turn = useRef<Promise<unknown>>(Promise.resolve())

  /** Does its work when everything before it is done. */
  const inTurn = <T>(work: (version: number) => Promise<T>): Promise<T> => {
    const next = turn.current.then(() => work(queries.getQueryData<View>(key)?.version ?? 0))
    turn.current = next.catch(() => undefined)
    return next
  }
  const keep = (work: (version: number) => Promise<View>) =>
    inTurn(async (version) => {
      const view = await run(() => work(version))
      if (view) queries.setQueryData(key, view)
      else await query.refetch()
      return view
    })
  const wish = async (wished: Wish, letGo = false) => {
    const view = await keep((version) =>
      ask(client.PUT('/api/today', { body: { ...wished, version, letGo } })),
    )
    setUnkept(view ? null : wished)
    return view
  }

  return {
    today: query.data,
    problem,
    refused: refusalOf(query.error),
    clear,
    wish: (wished: Wish) => wish(wished),
    /** The wish that was not carried out because changes by hand would go; again, and they may. */
    letGo: problem?.field === 'letGo' && unkept ? () => wish(unkept, true) : null,
    change: (change: Omit<Schemas['ChangeWish'], 'version'>) =>
      keep((version) => ask(client.POST('/api/today/changes', { body: { ...change, version } }))),
    anew: (fromScratch = false) =>
      keep((version) => ask(client.POST('/api/today/anew', { body: { version, fromScratch } }))),
    /** Takes the last change back, as long as it is the last: the version is the one it has made. */
    back: (version: number) =>
      inTurn(async () => {
        queries.setQueryData(key, await ask(client.POST('/api/today/back', { body: { version } })))
      }),
    begin: () => inTurn((version) => run(() => ask(client.POST('/api/session', { body: { version } })))),
    tellBody: (wish: Schemas['BodyWish']) =>
      inTurn(async () => {
        await run(() => ask(client.POST('/api/body', { body: wish })))
        await query.refetch()
      }),
  }
}

export type Today = ReturnType<typeof useToday>
