import { useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState } from 'react'
import { api, ask, client, type Problem, type Schemas } from '../../api/client'
import { Outbox } from './outbox'

type Session = Schemas['SessionView']
type Kind = Schemas['StageAct']

/** A gap longer than this between two ticks is a closed lid, not practice. */
const longestTick = 5

const signals = () => import('../../sound/signals')

/** The session, its running clock, and what can be done on the stage. */
export function useStage() {
  const queries = useQueryClient()
  const query = api.useQuery('get', '/api/session')
  const key = api.queryOptions('get', '/api/session').queryKey
  const session = query.data
  const [problem, setProblem] = useState<Problem | null>(null)
  const [played, tick] = usePlayed(session)

  const outbox = useRef<Outbox | null>(null)
  useEffect(() => {
    outbox.current = new Outbox((view) => queries.setQueryData(key, view), setProblem)
    return () => {
      outbox.current = null
    }
    // One outbox for the life of the page.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [])

  const act = useCallback(
    (kind: Kind, value?: number, seconds?: number) => {
      if (!session) return
      outbox.current?.add({
        id: crypto.randomUUID(),
        position: session.position,
        playedSeconds: tick(),
        kind,
        value,
        seconds,
      })
    },
    [session, tick],
  )

  usePulse(session, tick, setProblem)
  useTurn(session, played, act)
  useAwake(session?.running ?? false)
  return { session, played, act, problem, loaded: query.isFetched, failed: query.isError }
}

export type StageState = ReturnType<typeof useStage>

/** Seconds played of the drill on the stage: what the file has, and what has run since. */
function usePlayed(session: Session | undefined): [number, () => number] {
  const drill = session?.drills[session.position]
  const place = session ? `${session.id}:${session.position}` : ''
  const count = useRef({ place: '', seconds: 0, at: 0 })
  const [shown, setShown] = useState({ place: '', seconds: 0 })
  const running = session?.running ?? false
  const saved = drill?.playedSeconds ?? 0

  const tick = useCallback(() => {
    const now = performance.now() / 1000
    const state = count.current
    const gone = now - state.at
    if (running && gone > 0 && gone < longestTick) state.seconds += gone
    state.at = now
    return state.seconds
  }, [running])

  useEffect(() => {
    if (count.current.place !== place) count.current = { place, seconds: saved, at: performance.now() / 1000 }
    count.current.seconds = Math.max(count.current.seconds, saved)
  }, [place, saved])

  useEffect(() => {
    count.current.at = performance.now() / 1000
    const timer = setInterval(() => setShown({ place, seconds: tick() }), 200)
    return () => clearInterval(timer)
  }, [tick, place])

  return [shown.place === place ? shown.seconds : saved, tick]
}

/** Every second the file learns how far the drill is. */
function usePulse(
  session: Session | undefined,
  tick: () => number,
  refuse: (problem: Problem | null) => void,
) {
  const queries = useQueryClient()
  const position = session?.position
  const running = session?.running ?? false
  useEffect(() => {
    if (position === undefined || !running) return
    const worker = new Worker(new URL('./pulse.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = async () => {
      try {
        const seen = await ask(
          client.POST('/api/session/pulse', { body: { position, playedSeconds: tick() } }),
        )
        refuse(null)
        // Another window has moved on or paused.
        if (seen.position !== position || !seen.running)
          await queries.invalidateQueries({ queryKey: api.queryOptions('get', '/api/session').queryKey })
      } catch (error) {
        refuse(error as Problem)
      }
    }
    return () => worker.terminate()
  }, [position, running, tick, refuse, queries])
}

/** When the time is up: a sound and on to the next; a take that is under way may end first. */
function useTurn(session: Session | undefined, played: number, act: (kind: Kind) => void) {
  const drill = session?.drills[session.position]
  const place = session ? `${session.id}:${session.position}` : ''
  const told = useRef({ place, last: '', left: '' })
  useEffect(() => {
    if (told.current.place !== place && told.current.place !== '')
      void signals().then((one) => one.soundTurn())
    told.current.place = place
  }, [place])
  useEffect(() => {
    if (!session?.running || !drill || !session.cue) return
    const over = played - drill.allowedSeconds
    if (over < 0) return
    if (over < (session.cue.graceSeconds ?? 0)) {
      if (told.current.last !== place) void signals().then((one) => one.soundLast())
      told.current.last = place
    } else if (told.current.left !== place) {
      told.current.left = place
      act('Done')
    }
  }, [session, drill, played, place, act])
}

/** The screen stays on while the clock runs. */
function useAwake(running: boolean) {
  useEffect(() => {
    if (!running || !('wakeLock' in navigator)) return
    let lock: WakeLockSentinel | null = null
    let over = false
    const hold = async () => {
      if (document.visibilityState !== 'visible') return
      try {
        lock = await navigator.wakeLock.request('screen')
        if (over) await lock.release()
      } catch {
        // The system may refuse; practice goes on.
      }
    }
    void hold()
    document.addEventListener('visibilitychange', hold)
    return () => {
      over = true
      document.removeEventListener('visibilitychange', hold)
      void lock?.release()
    }
  }, [running])
}
