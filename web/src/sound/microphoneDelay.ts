const place = 'microphone-delay'

export interface Delay {
  /** Milliseconds by which the microphone hears late what is played with the click. */
  ms: number
  plusMinus: number
}

/** Loudspeakers, air and microphone are late by some tens of milliseconds in most rooms (common practice). */
const unknown: Delay = { ms: 0, plusMinus: 50 }

/** The delay of this machine's sound, kept per device; before it was measured nothing is known but its size. */
export function microphoneDelay(): Delay {
  const [ms = NaN, plusMinus = NaN] = (localStorage.getItem(place) ?? '').split(' ').map(Number)
  return Number.isFinite(ms) && Number.isFinite(plusMinus) ? { ms, plusMinus } : unknown
}

export const keepMicrophoneDelay = ({ ms, plusMinus }: Delay) =>
  localStorage.setItem(place, `${ms} ${plusMinus}`)
