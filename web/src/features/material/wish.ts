import type { Schemas } from '../../api/client'
import { sayDay } from '../../ui/words'

export type Wish = Schemas['MaterialWish']

const plain: Omit<Wish, 'kind'> = {
  title: '',
  area: null,
  pieceId: null,
  fromBar: 1,
  toBar: 4,
  beatsPerBar: 4,
  beat: 'quarter',
  target: null,
  readiness: 'Raw',
  difficulty: '',
  note: '',
  resting: false,
  isScale: false,
  performance: null,
  nextExample: 1,
  examples: 0,
  perDay: 3,
  bookParts: '',
  todaysKey: false,
  serves: [],
  version: 0,
  laterDates: [],
  weekMinutes: 0,
  weekTimes: 0,
  twiceADay: false,
  harmony: '',
  cleanAt: null,
}

/** What an empty form begins with. */
export function emptyWish(kind: Wish['kind'], all: Schemas['MaterialView'][]): Wish {
  const piece =
    all.find((item) => item.kind === 'Piece' && !item.resting) ?? all.find((item) => item.kind === 'Piece')
  switch (kind) {
    case 'Piece':
      return { ...plain, kind, toBar: 32 }
    case 'Passage':
      return { ...plain, kind, pieceId: piece?.id ?? null, toBar: 2 }
    case 'Book':
      return { ...plain, kind, examples: 100 }
    default:
      return { ...plain, kind, area: 'Technique' }
  }
}

/** A material as it is, ready to be changed. */
export function wishOf(item: Schemas['MaterialView']): Wish {
  return {
    kind: item.kind,
    title: item.ownTitle,
    area: item.kind === 'Exercise' ? item.area : null,
    pieceId: item.pieceId,
    fromBar: item.fromBar,
    toBar: item.toBar,
    beatsPerBar: item.beatsPerBar,
    beat: item.beat,
    target: item.target,
    readiness: item.readiness,
    difficulty: item.difficulty,
    note: item.note,
    resting: item.resting,
    isScale: item.isScale,
    performance: item.performance,
    nextExample: item.nextExample,
    examples: item.examples,
    perDay: item.perDay,
    bookParts: item.bookParts,
    todaysKey: item.todaysKey,
    serves: item.serves,
    version: item.version,
    laterDates: item.laterDates,
    weekMinutes: item.weekMinutes,
    weekTimes: item.weekTimes,
    twiceADay: item.twiceADay,
    harmony: item.harmony,
  }
}

/** The performances of a piece that are ahead, in words; nothing where there is none. */
export function sayDates(item: Schemas['MaterialView'], today: string) {
  const ahead = [item.performance, ...item.laterDates].filter((date) => date !== null && date >= today)
  return ahead.length > 0 && `performance ${ahead.map((date) => sayDay(date!, today)).join(', ')}`
}
