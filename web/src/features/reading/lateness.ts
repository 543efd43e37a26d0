import type { Schemas } from '../../api/client'

const drawn = 'lateness'
const space = 14

/** What is written under a note: how late it was, or that it was not there. */
export const lateWords = ({ lateMs }: Schemas['FollowedNote']) =>
  lateMs === null || lateMs === undefined ? '–' : `${lateMs > 0 ? '+' : ''}${Math.round(lateMs)}`

/** Writes under each engraved note by how many milliseconds it was late; what was wrong is stressed. */
export function writeLateness(music: HTMLElement, notes: readonly Schemas['FollowedNote'][]) {
  for (const old of music.querySelectorAll(`.${drawn}`)) old.remove()
  for (const note of notes) {
    const bar = music.querySelectorAll<SVGGraphicsElement>(
      ['note', 'rest'].map((kind) => `.abcjs-${kind}.abcjs-v${note.staff}.abcjs-mm${note.bar - 1}`).join(),
    )
    const at = bar[note.element]
    const svg = at?.ownerSVGElement
    if (!at || !svg) continue
    // Its room ends at the staff.
    svg.style.overflow = 'visible'
    for (const box of [svg.parentElement, svg.parentElement?.parentElement])
      box?.style.setProperty('overflow', 'visible')
    const box = at.getBBox()
    const text = document.createElementNS('http://www.w3.org/2000/svg', 'text')
    text.setAttribute('class', drawn)
    text.setAttribute('x', String(box.x + box.width / 2))
    text.setAttribute('y', String(staffBottom(music, at) + space))
    text.setAttribute('text-anchor', 'middle')
    text.setAttribute('font-size', '8')
    text.setAttribute('fill', 'currentColor')
    text.setAttribute('stroke', 'none')
    text.setAttribute('font-weight', note.isRight ? '400' : '700')
    if (!note.isRight) text.setAttribute('text-decoration', 'underline')
    text.textContent = lateWords(note)
    at.parentNode?.appendChild(text)
  }
}

/** Below the lowest thing of the staff in which a note stands. */
function staffBottom(music: HTMLElement, note: SVGGraphicsElement) {
  const staff = [...note.classList].filter((name) => /^abcjs-[lv]\d+$/.test(name))
  const all =
    staff.length > 0 ? music.querySelectorAll<SVGGraphicsElement>(`.${staff.join('.')}.abcjs-note`) : [note]
  return Math.max(...[...all].map((one) => one.getBBox().y + one.getBBox().height))
}
