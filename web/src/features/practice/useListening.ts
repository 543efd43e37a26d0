import { useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState } from 'react'
import { api, ask, client, type Schemas } from '../../api/client'
import { microphoneDelay } from '../../sound/microphoneDelay'
import { nativeClock, now } from '../../sound/output'
import { isChosen } from '../../ui/useChosen'
import { useMicrophone } from '../listening/useMicrophone'
import { simulated } from '../../sound/simulated'
import { useSimulatedPlayer } from './useSimulatedPlayer'
import { heardMarks } from './useStageChoices'

/** What comes while takes are listened to. */
interface Heard {
  notes: number
  heard: Schemas['HeardView'] | null
  word: string
  /** Whether nothing at hand can be compared; then the word says why. */
  waits: boolean
}

const nothing = { word: '', waits: false }
const trustKey = api.queryOptions('get', '/api/heard/trust').queryKey

/** A verdict waits so long for the player to say no. */
const proposalMs = 2000
/** So many notes are no chance any more. */
const underWay = 2
/** Who marks a take at its last note is quicker than its verdict, by no more than this. */
const quickerMs = 1500

interface Sound {
  clicking: boolean
  /** The beat that sounds now, from the first of the first bar. */
  beat: () => number | null
  /** Beats of a bar of the click. */
  bar: number
  /** Hertz of a drone that sounds and is tuned pure; else null. */
  pureDrone: number | null
}

/**
 * Listens to takes of the thing at hand, as long as it is wished and no longer than the drill. What it makes of them is shown; where the
 * player has let it, it marks them after two seconds in which nothing was said against it.
 */
export function useListening(
  session: Schemas['SessionView'],
  sound: Sound,
  mark: (clean: boolean, heardId: number) => void,
) {
  const queries = useQueryClient()
  const [state, setState] = useState<'off' | 'asking' | 'on'>('off')
  const [word, setWord] = useState('')
  /** What the program said of what it hears, or of what it cannot compare. */
  const [said, setSaid] = useState(nothing)
  const [away, setAway] = useState(false)
  const [notes, setNotes] = useState(0)
  const [heard, setHeard] = useState<Schemas['HeardView'] | null>(null)
  const [proposed, setProposed] = useState(false)
  /** The take whose cause was noted as what is missing. */
  const [noted, setNoted] = useState<number | null>(null)
  const { listening, open, release } = useMicrophone('listen again; what was played counts')
  const timer = useRef(0)
  /** How a take was marked whose verdict has not come yet, and when. */
  const early = useRef<{ clean: boolean; at: number } | null>(null)
  const place = `${session.id}:${session.position}`
  /** The drill of the take that was heard last. */
  const heardIn = useRef(place)
  const latest = useRef({ mark, mayMark: false, place })
  const thing = `${place}:${session.target?.key ?? ''}:${session.target?.tempo ?? ''}`
  const trust = api.useQuery('get', '/api/heard/trust', undefined, {
    enabled: state === 'on',
    throwOnError: false,
  })
  const mayMark = trust.data?.mayMark ?? false
  useEffect(() => {
    latest.current = { mark, mayMark, place }
  })

  const withdraw = useCallback(() => {
    window.clearTimeout(timer.current)
    setProposed(false)
  }, [])
  const stop = useCallback(() => {
    withdraw()
    release()
    setState('off')
    setAway(false)
    setNotes(0)
    setSaid(nothing)
  }, [withdraw, release])

  /** What the player says of it, or does not say against it. */
  const say = useCallback(
    (one: Schemas['HeardView'], clean: boolean) => {
      setHeard({ ...one, marked: clean })
      ask(client.PUT('/api/heard/{id}', { params: { path: { id: one.id } }, body: { clean } })).then(
        () => void queries.invalidateQueries({ queryKey: trustKey }),
        () => {
          // The take itself is marked; only how far the verdicts agree does not know of it.
        },
      )
    },
    [queries],
  )
  const take = useCallback(
    (one: Schemas['HeardView']) => {
      const before = early.current
      early.current = null
      heardIn.current = latest.current.place
      if (before && performance.now() - before.at < quickerMs) return say(one, before.clean)
      setHeard(one)
      // A simulated player marks nothing of this one.
      if (!latest.current.mayMark || !isChosen(heardMarks, false) || one.simulated) return
      setProposed(true)
      window.clearTimeout(timer.current)
      timer.current = window.setTimeout(() => {
        setProposed(false)
        say(one, one.clean)
        latest.current.mark(one.clean, one.id)
      }, proposalMs)
    },
    [say],
  )

  const start = useCallback(async () => {
    withdraw()
    setState('asking')
    setWord('')
    setHeard(null)
    const { ms, plusMinus } = microphoneDelay()
    const one = await open({
      path: (rate) =>
        `/api/listen/takes?rate=${rate}&delay=${ms}&plusMinus=${plusMinus}&simulated=${simulated().on}`,
      heard: (answer) => {
        const { notes: count, heard: over, word: told, waits } = answer as Heard
        setNotes(count)
        // What was said of the last take stands until the next one is under way.
        if (count >= underWay) setHeard((last) => (last?.marked === null ? last : null))
        setSaid({ word: told, waits })
        if (!over) return
        listening.current?.done()
        take(over)
      },
      ended: (why) => {
        stop()
        setWord(why)
      },
      away: setAway,
      clock: nativeClock(),
    })
    if (one) setState('on')
  }, [open, stop, take, withdraw, listening])

  // Another thing, or another tempo, is listened to anew; another drill, a pause or the end is listened to no more.
  const before = useRef({ place, thing })
  useEffect(() => {
    const was = before.current
    before.current = { place, thing }
    // What was said of a drill's last take stands in the next drill, and no longer.
    if (was.place !== place && heardIn.current !== was.place) setHeard(null)
    if (state === 'off') return
    if (was.place !== place || !session.running) stop()
    else if (was.thing !== thing) {
      withdraw()
      setNotes(0)
      setHeard((last) => (last?.marked === null ? null : last))
      listening.current?.anew()
    }
  }, [place, thing, session.running, state, stop, withdraw, listening])
  useEffect(() => stop, [stop])

  // Where the beats of the click lie in what is heard, and what drone there is.
  const { clicking, beat, bar, pureDrone } = sound
  const tempo = session.target?.tempo ?? null
  useEffect(() => {
    if (state !== 'on') return
    const say = () =>
      listening.current?.say(() => {
        const at = clicking && tempo !== null ? beat() : null
        return {
          click:
            at === null || tempo === null
              ? null
              : (listening.current?.secondsAt(now() - (at * 60) / tempo) ?? null),
          drone: pureDrone,
        }
      })
    say()
    // The click begins a moment after its key, and what is heard a moment after the microphone is open.
    const later = window.setTimeout(say, 800)
    return () => window.clearTimeout(later)
  }, [state, clicking, tempo, thing, beat, pureDrone, listening])
  // After a verdict it waits for the player's word, as who plays would.
  const listens = state === 'on' && !said.waits && (heard === null || heard.marked !== null)
  useSimulatedPlayer({ listens, thing, tempo, bar, clicking, beat })

  /** The player says how the take was: that holds, whatever was heard; the take that is meant, where it was heard. */
  const marked = useCallback(
    (clean: boolean) => {
      withdraw()
      if (heard && heard.marked === null) {
        say(heard, clean)
        return heard.id
      }
      early.current = { clean, at: performance.now() }
    },
    [heard, withdraw, say],
  )
  const takeCause = () => {
    if (!heard?.cause || heard.materialId === null) return
    const { name, remedy, method } = heard.cause
    ask(
      client.PUT('/api/pieces/passages/{id}/missing', {
        params: { path: { id: Number(heard.materialId) } },
        body: { cause: name, remedy, method },
      }),
    ).then(
      () => {
        setNoted(heard.id)
        void queries.invalidateQueries()
      },
      () => setWord('It could not be noted; the program does not answer. Try again.'),
    )
  }
  return {
    causeTaken: heard !== null && noted === heard.id,
    takeCause,
    state,
    word,
    said,
    away,
    notes,
    heard,
    proposed,
    trust: trust.data,
    mayMark,
    toggle: () => {
      if (state !== 'off') stop()
      else if (session.cue?.countsTakes) void start()
      else setWord('No takes are marked in this drill, so none are listened to.')
    },
    marked,
    forget: () => setHeard(null),
    dismiss: () => setWord(''),
  }
}

export type StageListening = ReturnType<typeof useListening>
