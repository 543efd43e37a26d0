import type { Schemas } from '../../api/client'

export type Work = Schemas['Work']
export type Kind = Schemas['WorkKind']

/** An exercise while it is made or changed. */
export interface Draft {
  /** The tempo at which it is clean today; left out where that is not known. */
  cleanAt?: number | null
  id: number
  title: string
  work: Work
  target: number | null
  sheet: Schemas['SheetRequest'] | null
  serves: string[]
  version: number
  /** Whether it goes through the keys. */
  inKeys: boolean
}

export const kinds: { id: Kind; name: string; about: string; isStruck?: boolean }[] = [
  {
    id: 'Shuttle',
    name: 'Shuttle',
    about: 'two keys or chords back and forth, then three, four, six, twelve',
  },
  {
    id: 'Changes',
    name: 'Changes and progressions',
    about: 'chords on the click; what counts is being there',
  },
  { id: 'Inversions', name: 'Every position', about: 'all positions of a chord against the clock' },
  {
    id: 'Steps',
    name: 'One by one',
    about: 'notes, octaves, or all of a key; the next only when this one is right; keeps its place',
  },
  {
    id: 'Patterns',
    name: 'Patterns over weeks',
    about: 'all permutations, one or two a week, with an end date',
  },
  {
    id: 'Numbers',
    name: 'Book of technique',
    about: 'numbers on paper: looked through, the hard ones early, each until it is done',
    isStruck: true,
  },
  {
    id: 'Groove',
    name: 'Groove',
    about: 'a grid of strokes, looped; three bars and one made up',
    isStruck: true,
  },
  {
    id: 'Notation',
    name: 'Written music',
    about: 'typed in ABC, engraved and played',
    isStruck: true,
  },
]

const texts: Partial<Record<Kind, string>> = {
  Groove: '4 beats of 4\nhigh: ....x.......x...\nmid:  ..x...x...x...x.\nlow:  X.......x.......',
  Notation: 'M:3/4\nL:1/8\nK:F\nF2 GA Bc | d2 c2 A2 | B2 AG FE | F6 |]',
}

const items: Partial<Record<Kind, string[]>> = {
  Shuttle: ['D major', 'Ab major', 'E major', 'Bb major'],
  Changes: ['Dm7', 'G7', 'Cmaj7', 'Cmaj7'],
  Inversions: ['C', 'Am', 'F', 'G7'],
}

/** A sheet while nothing was chosen. */
export const plainSheet: Schemas['SheetRequest'] = {
  figure: 'scale',
  kind: 'major',
  tonic: 'G',
  octaves: 1,
  order: 'UpAndDown',
  rhythm: 'eighth',
  joining: 'plain',
  tempo: 72,
  patternSize: 4,
  patternNumber: 1,
  pairedWith: null,
  shape: 'thirds',
  way: 'Up',
  lowest: '',
  highest: '',
  concert: false,
  names: false,
  hand: null,
}

const sheetOfSteps = { ...plainSheet, octaves: 2, rhythm: 'quarter' }

/** What an editor of this kind begins with: something that already works. */
export const fresh = (kind: Kind, today: string): Draft => ({
  id: 0,
  title: '',
  work: {
    kind,
    items: items[kind] ?? [],
    beats: 4,
    by: kind === 'Steps' ? 'Octaves' : 'Words',
    limitSeconds: 30,
    voicing: 'Close',
    text: texts[kind] ?? '',
    patterns: kind === 'Patterns' ? { size: 4, perWeek: 1, joined: false, first: today, from: 1 } : null,
    numbers: kind === 'Numbers' ? { count: 40, bars: 16 } : null,
  },
  target: null,
  sheet: kind === 'Steps' ? sheetOfSteps : null,
  serves: [],
  version: 0,
  inKeys: false,
})
