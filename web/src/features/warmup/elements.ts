import type { Schemas } from '../../api/client'

export type Part = Schemas['WarmUpPart']
export type Element = Schemas['WarmUpElement']

/** The four elements in playing order. */
export const elements: { id: Element; name: string; about: string }[] = [
  { id: 'Sound', name: 'sound and body', about: 'long tones and other simple motions, eyes off the page' },
  { id: 'Scales', name: 'slow scales', about: 'scales and arpeggios with click and drone' },
  { id: 'Movement', name: 'movement', about: 'across the whole instrument, in tune' },
  { id: 'Agility', name: 'agility', about: 'many notes at a comfortable speed' },
]

/** Parts in playing order, each with its place in the version. */
export const inOrder = <T extends Part>(parts: T[]) =>
  elements.flatMap(({ id }) =>
    parts.map((part, place) => ({ part, place })).filter(({ part }) => part.element === id),
  )
