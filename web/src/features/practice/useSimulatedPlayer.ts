import { useEffect } from 'react'
import { playSimulated, simulated } from '../../sound/simulated'

/** Seconds until it begins where no click gives the beat, and at least before a beat of the click. */
const breathSeconds = 2

interface Wish {
  /** Whether a take is listened for now. */
  listens: boolean
  /** The thing and its tempo: another one is played anew. */
  thing: string
  tempo: number | null
  /** Beats of a bar of the click. */
  bar: number
  clicking: boolean
  beat: () => number | null
}

/** Plays a take of what is at hand, where a simulated player is listened to: on a first beat of the click, or after a breath. */
export function useSimulatedPlayer({ listens, thing, tempo, bar, clicking, beat }: Wish) {
  useEffect(() => {
    if (!listens || !simulated().on) return
    return playSimulated('take', () => {
      const at = clicking && tempo !== null ? beat() : null
      if (at === null || tempo === null) return breathSeconds
      const beats = (seconds: number) => (seconds * tempo) / 60
      const first = Math.max(0, Math.ceil((at + beats(breathSeconds)) / bar) * bar)
      return ((first - at) * 60) / tempo
    })
  }, [listens, thing, tempo, bar, clicking, beat])
}
