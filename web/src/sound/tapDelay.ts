const place = 'tap-delay'

/** So many milliseconds after the click this machine hears what is tapped on it; null before it was calibrated. Kept per device. */
export function tapDelay(): number | null {
  const kept = Number.parseFloat(localStorage.getItem(place) ?? '')
  return Number.isFinite(kept) ? kept : null
}

export const keepTapDelay = (ms: number) => localStorage.setItem(place, String(ms))
