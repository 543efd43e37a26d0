import type { Schemas } from '../../api/client'

/** What one looks for before unseen music is read. */
export type Thing = 'time' | 'key' | 'title' | 'highest' | 'oddest'

/** A finger may miss a sign by so much, in pixels of the screen. */
const near = 14

/** What of it was pointed at in engraved music; nothing where there is nothing to find. */
export function pointedAt(music: Element, x: number, y: number, look: Schemas['ReadingLook']): Thing[] {
  const isOn = (sign: Element) => {
    const box = sign.getBoundingClientRect()
    return x >= box.left - near && x <= box.right + near && y >= box.top - near && y <= box.bottom + near
  }
  const hit = (name: string) => [...music.querySelectorAll(name)].some(isOn)
  if (hit('.abcjs-time-signature')) return ['time']
  if (hit('.abcjs-key-signature')) return ['key']
  const found: Thing[] = []
  const highest = [...music.querySelectorAll(`.abcjs-mm${look.highestBar - 1} .abcjs-notehead`)].sort(
    (one, other) => one.getBoundingClientRect().top - other.getBoundingClientRect().top,
  )[0]
  if (highest && isOn(highest)) found.push('highest')
  if (hit(`.abcjs-note.abcjs-mm${look.oddestBar - 1}`)) found.push('oddest')
  return found
}
