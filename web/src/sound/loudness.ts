const place = 'loudness'

/** What sounds, each as loud as one likes. */
export const soundings = ['click', 'drone', 'tones', 'music', 'signals'] as const
export type Sounding = (typeof soundings)[number]

type Whose = Sounding | 'all'
let changed: (whose: Whose, part: number) => void = () => {}
const placeOf = (whose: Whose) => (whose === 'all' ? place : `${place}:${whose}`)

/** What is silent for the moment, however loud it is wanted. */
const hushed = new Set<Whose>()

/** Silent for the moment, and again as loud as it is wanted. */
export function hush(whose: Sounding, silent: boolean) {
  if (silent) hushed.add(whose)
  else hushed.delete(whose)
  changed(whose, loudness(whose))
}

/** Part of full loudness, 0 to 1, of everything or of one kind; full until something was chosen in this browser. */
export function loudness(whose: Whose = 'all') {
  if (hushed.has(whose)) return 0
  const kept = Number.parseFloat(localStorage.getItem(placeOf(whose)) ?? '1')
  return kept >= 0 && kept <= 1 ? kept : 1
}

/** Louder or softer from now on, also what sounds already. */
export function setLoudness(part: number, whose: Whose = 'all') {
  localStorage.setItem(placeOf(whose), String(part))
  changed(whose, part)
}

/** Told whenever another loudness is chosen; there is one who listens, what everything goes out by. */
export function onLoudness(tell: (whose: Whose, part: number) => void) {
  changed = tell
}
