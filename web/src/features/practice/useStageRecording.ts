import { useCallback, useEffect, useRef } from 'react'
import { ask, client, type Schemas } from '../../api/client'
import { hush } from '../../sound/loudness'
import { isChosen } from '../../ui/useChosen'
import { useRecorder } from '../recording/useRecorder'
import { clickAsLight } from './useStageChoices'

/** The last drop of the breath after the last beat belongs to it. */
const restSeconds = 0.5

interface Sound {
  clicking: boolean
  /** Begins the click anew, with a bar counted in; answers seconds until the first beat, null where there is no click. */
  countIn: () => Promise<number | null>
}

/**
 * The next take on the stage, recorded: with the click it is counted in and ends by itself a bar after the take, else by the key, when
 * the take is marked, or when something else comes.
 */
export function useStageRecording(session: Schemas['SessionView'], sound: Sound) {
  const recording = useRecorder()
  const { state, kept, start, stop, stopIn, keep } = recording
  const drill = session.drills[session.position]!
  const thing = `${session.id}:${session.position}:${session.target?.key ?? ''}`
  const isOn = state === 'on'
  /** What the last recording is of. */
  const of = useRef('')

  const toggle = async () => {
    if (isOn) return stop()
    if (state !== 'off' || !session.running) return
    of.current = thing
    const begun = await start({
      materialId: session.target?.materialId ?? null,
      targetKey: session.target?.key ?? null,
      tempo: session.target?.tempo ?? null,
      method: drill.methodId || null,
      name: session.target?.title ?? drill.title,
    })
    if (!begun) return
    hush('click', isChosen(clickAsLight, false))
    const until = sound.clicking ? await sound.countIn() : null
    const seconds = session.sound?.recordSeconds
    if (until !== null && seconds) stopIn(until + seconds + restSeconds)
  }

  useEffect(() => {
    if (state === 'off') hush('click', false)
  }, [state])

  // Another thing, a pause, the end: what was recorded ends with what was played.
  const before = useRef(thing)
  useEffect(() => {
    if (before.current !== thing || !session.running) stop()
    before.current = thing
  }, [thing, session.running, stop])

  /** The take was marked: that belongs to it, also where it ended before by itself; else it ends now. */
  const marked = useCallback(
    (clean: boolean) => {
      stop(clean)
      if (!kept || kept.clean !== null || state !== 'off' || of.current !== thing) return
      const body = { seconds: kept.seconds, clean }
      ask(client.POST('/api/recordings/{id}/end', { params: { path: { id: kept.id } }, body })).then(
        keep,
        () => {
          // The recording is kept; only how it was marked is missing.
        },
      )
    },
    [kept, state, thing, stop, keep],
  )
  return { ...recording, isOn, toggle: () => void toggle(), marked }
}
