import { useRef, useState } from 'react'
import { useMidi, type Midi } from '../../sound/useMidi'
import { tapDelay } from '../../sound/tapDelay'
import { useTaps } from '../../sound/useTaps'
import { ask, client, type Schemas } from '../../api/client'

/** How a reading is marked: by oneself, by taps of its rhythm, by keys on the screen, or by a MIDI keyboard. */
export type How = 'self' | 'tap' | 'keys' | 'midi'

interface Playing {
  midi: Midi
  /** A key on the screen, at its sounding pitch. */
  key: (midi: number, agoMs: number) => void
  /** How many taps or notes were heard. */
  heard: number
  /** Begins anew, on the beat that sounds now, from the first bar line; null while nothing runs. */
  begin: (beat: () => number | null) => void
  marks: (seed: Schemas['ReadingSeed'], tempo: number) => Promise<Schemas['MarkedView']>
}

/** Hears what is tapped or played while a reading runs. */
export function usePlaying(how: How, running: boolean, tempo: number): Playing {
  const beat = useRef<() => number | null>(() => null)
  const events = useRef<Schemas['PlayedEvent'][]>([])
  const [heard, setHeard] = useState(0)
  const hear = (midi: number | null, agoMs: number) => {
    const now = running ? beat.current() : null
    if (now === null) return
    events.current.push({ atBeats: now - (agoMs / 60_000) * tempo, midi })
    setHeard(events.current.length)
  }
  useTaps(how === 'tap' && running, (ago) => hear(null, ago))
  const midi = useMidi(how === 'midi', hear)
  return {
    midi,
    key: hear,
    heard,
    begin: (now) => {
      beat.current = now
      events.current = []
      setHeard(0)
    },
    marks: (seed, at) => {
      const delayMs = how === 'tap' || how === 'keys' ? (tapDelay() ?? 0) : 0
      return ask(
        client.POST('/api/reading/marks', { body: { seed, tempo: at, events: events.current, delayMs } }),
      )
    },
  }
}

/** A player made of numbers takes the place of one: for showing and trying out. */
export const standIn = async (
  seed: Schemas['ReadingSeed'],
  tempo: number,
  wrongPart: number,
  taps: boolean,
) => {
  const { events } = await ask(
    client.POST('/api/reading/stand-in', { body: { seed, tempo, wrongPart, lagMs: 0, taps } }),
  )
  return ask(client.POST('/api/reading/marks', { body: { seed, tempo, events, delayMs: 0 } }))
}
