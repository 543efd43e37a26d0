import { simulated } from './simulated'

/** What a simulated player was measured by is nothing of the room. */
const place = () => (simulated().on ? 'simulated-delay' : 'microphone-delay')

export interface Delay {
  /** Milliseconds by which the microphone hears late what is played with the click. */
  ms: number
  plusMinus: number
}

/** Loudspeakers, air and microphone are late by tens of milliseconds, without wires by hundreds: nothing is claimed then. */
const unknown: Delay = { ms: 0, plusMinus: 1000 }

/** The delay of this machine's sound, kept per device; null before it was measured. */
export function knownDelay(): Delay | null {
  const [ms = NaN, plusMinus = NaN] = (localStorage.getItem(place()) ?? '').split(' ').map(Number)
  return Number.isFinite(ms) && Number.isFinite(plusMinus) ? { ms, plusMinus } : null
}

/** The same, with so much that it may be off that nothing is made of it where it was not measured. */
export const microphoneDelay = (): Delay => knownDelay() ?? unknown

export const keepMicrophoneDelay = ({ ms, plusMinus }: Delay) =>
  localStorage.setItem(place(), `${ms} ${plusMinus}`)

export const forgetMicrophoneDelay = () => localStorage.removeItem(place())
