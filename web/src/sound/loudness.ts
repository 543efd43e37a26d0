const place = 'loudness'
let changed: (part: number) => void = () => {}

/** Part of full loudness, 0 to 1; full until something was chosen in this browser. */
export function loudness() {
  const kept = Number.parseFloat(localStorage.getItem(place) ?? '1')
  return kept >= 0 && kept <= 1 ? kept : 1
}

/** Louder or softer from now on, also what sounds already. */
export function setLoudness(part: number) {
  localStorage.setItem(place, String(part))
  changed(part)
}

/** Told whenever another loudness is chosen; there is one who listens, what everything goes out by. */
export function onLoudness(tell: (part: number) => void) {
  changed = tell
}
