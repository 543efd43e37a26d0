import { useEffect } from 'react'
import { useDraft } from '../../ui/useDraft'

/** What is written at the close of a session, before it is kept. */
export interface Written {
  /** Sent with it, so that it is kept once. */
  id: string
  sessionId: number | null
  note: string
  lines: Record<number, string>
  /** Why, what helps, next time: of drills of which that is said. */
  more: Record<number, Causes>
  tomorrow: number[]
  /** Single things of a drill that is about several. */
  tomorrowKeys: string[]
  tension: number | null
  pain: boolean
  where: string
  /** Position of the drill in which it hurt; null for none in particular. */
  painAt: number | null
}

/** Why a drill went as it did, what helps, what to do next time. */
export interface Causes {
  cause: string
  remedy: string
  nextTime: string
}

export const noCauses: Causes = { cause: '', remedy: '', nextTime: '' }

const empty = (): Written => ({
  id: crypto.randomUUID(),
  sessionId: null,
  note: '',
  lines: {},
  more: {},
  tomorrow: [],
  tomorrowKeys: [],
  tension: null,
  pain: false,
  where: '',
  painAt: null,
})

const texts = (written: Written) =>
  [
    written.note,
    ...Object.values(written.lines),
    ...Object.values(written.more ?? {}).flatMap((one) => [one.cause, one.remedy, one.nextTime]),
  ].filter((text) => text.trim())

/** The close under way. One that belongs to a session closed elsewhere is left over: nothing of it is thrown away unasked. */
export function useCloseDraft(session: number | undefined) {
  const { draft, write, clear, forget } = useDraft<Written>('close', empty())
  const mine = session !== undefined && draft.sessionId === session
  const left = draft.sessionId !== null && !mine && texts(draft).length > 0 ? draft : null
  useEffect(() => {
    if (session !== undefined && !mine && !left) write({ ...empty(), sessionId: session })
  }, [session, mine, left, write])
  return { written: draft, left, write, clear, forget }
}

export type CloseDraft = ReturnType<typeof useCloseDraft>
export const textsOf = texts
