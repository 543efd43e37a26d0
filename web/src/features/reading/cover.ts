/** Whether a bar is covered: as it begins to sound, or so many bars before. */
export const isCovered = (bar: number, sounding: number | null, ahead: number | null) =>
  sounding !== null && sounding >= 1 && ahead !== null && bar <= sounding + ahead

/** Covers the notes of bars in engraved music; the bar lines stay, so that one sees where one is. */
export function cover(music: HTMLElement, bars: number, covered: (bar: number) => boolean) {
  for (let bar = 1; bar <= bars; bar++)
    for (const part of music.querySelectorAll<SVGElement>(`.abcjs-mm${bar - 1}`))
      if (!part.classList.contains('abcjs-bar')) part.style.visibility = covered(bar) ? 'hidden' : ''
}
