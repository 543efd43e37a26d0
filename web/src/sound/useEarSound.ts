import { useCallback, useEffect, useState } from 'react'
import type { Schemas } from '../api/client'
import { usePlayback } from './usePlayback'

type Tones = Schemas['Tone'][]

const place = 'ear-sound'

/** Shorter than that it is a stroke, which has no use for a piano. */
const stroke = 0.2

const midiOf = (hertz: number) => 69 + 12 * Math.log2(hertz / 440)

/** Seconds until the last tone is over. */
export const lengthOf = (tones: Tones) => Math.max(0, ...tones.map((tone) => tone.atSeconds + tone.seconds))

/** Whether there are notes in it, and not only strokes. */
export const hasNotes = (tones: Tones) => tones.every((tone) => tone.seconds > stroke)

/** The tones of a question or an answer, on the piano or plain, as was chosen in this browser; strokes are always plain. */
export function useEarSound() {
  const { start, stop, failed } = usePlayback()
  const [piano, setPiano] = useState(() => localStorage.getItem(place) !== 'plain')
  const silence = useCallback(() => {
    stop()
    void import('./signals').then((one) => one.stopTones())
  }, [stop])
  useEffect(() => silence, [silence])
  /** @param began told by the page's clock when the first of them begins; of strokes only */
  const sound = (tones: Tones, began?: (at: number) => void) => {
    silence()
    if (piano && !failed && hasNotes(tones))
      void start(
        tones.map(({ hertz, atSeconds, seconds }) => ({
          midi: midiOf(hertz),
          at: atSeconds,
          length: seconds,
        })),
        60,
        440,
      )
    else
      void import('./signals').then((one) => {
        one.soundTones(tones)
        began?.(performance.now() + one.toneAhead * 1000)
      })
  }
  return {
    sound,
    silence,
    piano,
    /** The piano could not be loaded: what is asked next is plain. */
    failed: piano && failed,
    setPiano: (on: boolean) => {
      localStorage.setItem(place, on ? 'piano' : 'plain')
      setPiano(on)
    },
  }
}
