import type { Schemas } from '../../api/client'

/** What may be wished of one piece; the range is that of the player. */
export type Wish = Required<Omit<Schemas['NewMusicWish'], 'lowest' | 'highest'>>

export const noWish: Wish = { bars: 0, key: '', position: null, overTheBreak: false, chordSymbols: false }

/** A wish as it stands in an address. */
export function wishFrom(search: URLSearchParams): Wish {
  const position = search.get('position')
  return {
    bars: Number(search.get('bars') ?? 0) || 0,
    key: search.get('key') ?? '',
    position: position === null ? null : Number(position),
    overTheBreak: search.has('break'),
    chordSymbols: search.has('chords'),
  }
}

export function addressOf({ bars, key, position, overTheBreak, chordSymbols }: Wish) {
  const search = new URLSearchParams()
  if (bars > 0) search.set('bars', String(bars))
  if (key) search.set('key', key)
  if (position !== null) search.set('position', String(position))
  if (overTheBreak) search.set('break', '')
  if (chordSymbols) search.set('chords', '')
  return `/read${search.size > 0 ? `?${search}` : ''}`
}
