import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { api, type Schemas } from '../../api/client'
import { useSound } from '../../sound/useSound'

/** Bars of a new tempo that are seen before they are counted in: a stop, so that nobody plays on in the old one. */
const quietBars = 1

/** A click of one's own begins here, and goes between these (common practice). */
const ownBpm = 60
const leastBpm = 20
const mostBpm = 400

/**
 * Click and drone on the stage: the core says what belongs to the thing at hand; here they begin and end with it, and by key at
 * any time. Another tempo comes with a stop, a bar of light and a bar counted in.
 */
export function useStageSound(session: Schemas['SessionView'], keepClick: (on: boolean) => void) {
  const settings = api.useQuery('get', '/api/sound', undefined, { throwOnError: false }).data
  const here = session.sound
  const heard = JSON.stringify(here ?? null)
  const view = useMemo(
    () =>
      settings && here
        ? {
            ...settings,
            cycle: here.click?.cycle ?? settings.cycle,
            // What is set for the page of its own, gaps and gradual change, is not the drill's.
            settings: { voice: settings.settings.voice, countInBars: here.countInBars },
            droneHertz: here.droneHertz,
          }
        : undefined,
    // The answers come anew with every press; what is heard rarely changes.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [settings, heard],
  )
  const { clicking, droning, failed, startClick, stopClick, startDrone, stopDrone, beat } = useSound(view)
  const tempo = session.target?.tempo ?? null
  const click = here?.click ?? null
  const place = `${session.id}:${session.position}`
  const thing = `${place}:${session.target?.key ?? ''}`
  const starts = session.running && click !== null && click.starts && tempo !== null
  const droneStarts = session.running && (here?.droneStarts ?? false)
  const last = useRef({ thing: '', tempo: 0 })
  const ready = view !== undefined

  // The turn of a drill, of a thing in it, and pause: what belongs to it starts and stops with it.
  useEffect(() => {
    if (!ready) return
    if (!starts) {
      stopClick()
      last.current = { thing: '', tempo: 0 }
      return
    }
    // By key it was silenced, or begun: that holds for this thing.
    if (last.current.thing === thing && last.current.tempo === tempo) return
    const isNew = last.current.thing !== ''
    last.current = { thing, tempo }
    void startClick(tempo, isNew ? quietBars : 0)
  }, [ready, thing, tempo, starts, startClick, stopClick])

  useEffect(() => {
    if (!ready) return
    if (droneStarts) void startDrone()
    else stopDrone()
  }, [ready, place, droneStarts, startDrone, stopDrone])

  const tuning = here?.tuning ?? null
  const tones = useRef(tuning?.tones)
  useEffect(() => {
    tones.current = tuning?.tones
  })
  const tune = useCallback(() => {
    if (tones.current) void import('../../sound/signals').then((one) => one.soundTones(tones.current!))
  }, [])
  const tunes = session.running && (tuning?.starts ?? false)
  // Once, when the first element of the warm-up begins; it is heard no longer than that lasts.
  useEffect(() => {
    if (!tunes) return
    tune()
    return () => void import('../../sound/signals').then((one) => one.stopTones())
  }, [place, tunes, tune])

  // Where the thing at hand has no tempo there is a click all the same, of one's own.
  const [own, setOwn] = useState({ thing: '', bpm: ownBpm })
  const ownTempo = tempo === null && clicking && own.thing === thing ? own.bpm : null
  const startOwn = (bpm: number) => {
    setOwn({ thing, bpm })
    void startClick(bpm)
  }
  /** Click on or off; says why where there is none to be had. */
  const toggleClick = () => {
    if (session.cue?.run) return 'This run brings its own click: it counts in when you start it.'
    if (session.cue?.resting) return 'This is a rest: the click comes back with the next round.'
    if (tempo === null || !click) {
      if (clicking) stopClick()
      else startOwn(own.thing === thing ? own.bpm : ownBpm)
      return ''
    }
    if (clicking) stopClick()
    else void startClick(tempo)
    last.current = { thing, tempo }
    keepClick(!clicking)
    return ''
  }
  /** Moves the click of one's own; says what to do where there is none. */
  const moveOwnClick = (beats: number) => {
    if (ownTempo === null) return `There is no tempo here to move. M starts a click at ${ownBpm}.`
    startOwn(Math.min(mostBpm, Math.max(leastBpm, ownTempo + beats)))
    return ''
  }
  /** Begins the click anew, with its bar counted in; answers seconds until the first beat, null where there is no click. */
  const countIn = useCallback(async () => {
    if (tempo === null || !click) return null
    last.current = { thing, tempo }
    await startClick(tempo)
    const at = beat()
    return at === null ? null : (-at * 60) / tempo
  }, [tempo, click, thing, startClick, beat])
  const toggleDrone = useCallback(() => {
    if (droning) stopDrone()
    else void startDrone()
  }, [droning, startDrone, stopDrone])
  return {
    clicking,
    droning,
    failed,
    beat,
    toggleClick,
    moveOwnClick,
    ownTempo,
    toggleDrone,
    countIn,
    bar: view?.cycle.beatsPerBar ?? 4,
    pureDrone: droning && settings?.settings.just ? (view?.droneHertz[0] ?? null) : null,
    tune,
    word: ownTempo === null ? (click?.word ?? '') : `click at ${ownTempo}, + and − move it`,
  }
}
