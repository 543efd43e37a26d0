import type { Schemas } from '../api/client'
import { loudspeaker, now, output } from './output'
import type { Sounding } from './loudness'

/** A plain tone, soft at its edges. */
function tone(hertz: number, at: number, seconds: number, loud: number, kind: Sounding = 'signals') {
  const context = output().rawContext as AudioContext
  const source = context.createOscillator()
  const level = context.createGain()
  source.type = 'triangle'
  source.frequency.value = hertz
  level.gain.setValueAtTime(0, at)
  level.gain.linearRampToValueAtTime(loud, at + 0.02)
  level.gain.setValueAtTime(loud, at + Math.max(0.03, seconds - 0.08))
  level.gain.linearRampToValueAtTime(0, at + seconds)
  source.connect(level).connect(loudspeaker(kind))
  source.start(at)
  source.stop(at + seconds + 0.02)
  return source
}

/** Two quiet notes where one drill ends and the next begins. */
export function soundTurn() {
  const at = now() + 0.02
  tone(659.3, at, 0.18, 0.12)
  tone(880, at + 0.18, 0.35, 0.12)
}

/** Two notes down: hands down. */
export function soundRest() {
  const at = now() + 0.02
  tone(659.3, at, 0.25, 0.12)
  tone(440, at + 0.25, 0.5, 0.12)
}

/** One short note: another way to work on the same thing. */
export function soundStep() {
  tone(880, now() + 0.02, 0.14, 0.1)
}

/** One low note: the time is up, finish the take. */
export function soundLast() {
  tone(440, now() + 0.02, 0.3, 0.1)
}

/** Seconds until what is asked for begins. */
export const toneAhead = 0.08

let asked: OscillatorNode[] = []

/** The notes of an ear question or its answer; what still sounds of the one before gives way. */
export function soundTones(tones: Schemas['Tone'][]) {
  stopTones()
  const start = now() + toneAhead
  asked = tones.map((one) => tone(one.hertz, start + one.atSeconds, one.seconds, 0.14, 'tones'))
}

/** Nothing more of an ear question is heard. */
export function stopTones() {
  for (const source of asked) source.stop()
  asked = []
}
