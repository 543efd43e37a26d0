/** The places of the program, by what one wants there, and the views inside each. Header, tabs and phone bar all read this table. */
export interface Place {
  name: string
  to: string
  /**
   * Views inside it, the first at its own address; none for a place that is one page. With what each is called where the instrument has no
   * pitch, if that is something else; null where it has no use then.
   */
  views?: readonly (readonly [to: string, name: string, struck?: string | null])[]
}

export const places: readonly Place[] = [
  { name: 'Today', to: '/' },
  { name: 'Week', to: '/week' },
  {
    name: 'Music',
    to: '/music',
    views: [
      ['/music', 'Pieces'],
      ['/music/recordings', 'Recordings'],
      ['/music/songs', 'Play along'],
    ],
  },
  {
    name: 'Craft',
    to: '/craft',
    views: [
      ['/craft', 'Exercises'],
      ['/craft/sheets', 'Sheets', null],
      ['/craft/keys', 'Keys', null],
      ['/craft/reading', 'Sight reading'],
      ['/craft/ear', 'Ear'],
      ['/craft/warm-up', 'Warm-up'],
      ['/craft/sound', 'Click and drone', 'Click'],
      ['/craft/listening', 'Listening'],
    ],
  },
  {
    name: 'Journal',
    to: '/journal',
    views: [
      ['/journal', 'Days'],
      ['/journal/review', 'Review'],
      ['/journal/look-back', 'Look back'],
      ['/journal/health', 'Body and ears'],
      ['/journal/shelf', 'Shelf'],
    ],
  },
]

export const setUp: Place = {
  name: 'Set up',
  to: '/set-up',
  views: [
    ['/set-up', 'Routines'],
    ['/set-up/shares', 'Shares'],
    ['/set-up/methods', 'Methods'],
    ['/set-up/instrument', 'Instrument'],
    ['/set-up/files', 'Backups'],
    ['/set-up/devices', 'Devices'],
  ],
}

/** The place an address lies in; null on the stage, at the close and on the first visit. */
export function placeOf(path: string): Place | null {
  const inside = (place: Place) =>
    place.to === '/' ? path === '/' : path === place.to || path.startsWith(`${place.to}/`)
  return [...places, setUp].find(inside) ?? null
}

/** Where each old address has gone. */
export const moved: readonly (readonly [from: string, to: string])[] = [
  ['/routines', '/set-up'],
  ['/balance', '/set-up/shares'],
  ['/methods', '/set-up/methods'],
  ['/instrument', '/set-up/instrument'],
  ['/backups', '/set-up/files'],
  ['/goals', '/week'],
  ['/material', '/music'],
  ['/material/:id', '/music/:id/tempo'],
  ['/piece/:id', '/music/:id'],
  ['/piece/:id/read', '/music/:id/read'],
  ['/technique', '/craft'],
  ['/sheets', '/craft/sheets'],
  ['/keys', '/craft/keys'],
  ['/warm-up', '/craft/warm-up'],
  ['/sound', '/craft/sound'],
]

/** The view of a place that a page belongs to: the one at the longest address that it lies under. */
export const viewOf = (views: NonNullable<Place['views']>, pathname: string) =>
  views
    .map(([to]) => to)
    .filter((to) => pathname === to || pathname.startsWith(`${to}/`))
    .reduce((one, other) => (other.length > one.length ? other : one), '')
