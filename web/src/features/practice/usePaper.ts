import { useState } from 'react'
import type { Schemas } from '../../api/client'
import type { Area } from '../repertoire/pageBox'
import { useWindowSize } from './useWindowSize'

/** Paper that lies on the stage: a part of a page. */
export interface Paper {
  pageId: number
  isPdf: boolean
  area: Area
  /** The bars in it, where it is the place of the passage at hand; else empty. */
  bars: string
}

const whole = { x: 0, y: 0, width: 1, height: 1 }
/** On a screen that is wider than high a page comes in two halves, with a little of both in each. */
const halves = [
  { ...whole, height: 0.53 },
  { ...whole, y: 0.47, height: 0.53 },
]

/** What can be laid on the stage, in order. */
export const papersOf = (pages: Schemas['StagePageView'][], isWide: boolean): Paper[] =>
  pages.flatMap(({ pageId, contentType, box }) => {
    const isPdf = contentType === 'application/pdf'
    const areas = box ? [box] : isWide && !isPdf ? halves : [whole]
    return areas.map((area) => ({ pageId, isPdf, area, bars: box?.bars ?? '' }))
  })

/**
 * Which paper lies on the stage: by itself where the passage stands, when there is no engraved music; P lays the next there, after
 * the last one none.
 */
export function usePaper({ pages, abc, target }: Schemas['SessionView']) {
  const { width, height } = useWindowSize()
  const papers = papersOf(pages, width > height)
  const key = target?.key ?? ''
  const [turned, setTurned] = useState({ key: '', place: -1 })
  const first = abc === '' && papers[0]?.bars ? 0 : -1
  const place = turned.key === key ? turned.place : first
  return {
    paper: papers[place] ?? null,
    turn: () => papers.length > 0 && setTurned({ key, place: place + 1 >= papers.length ? -1 : place + 1 }),
  }
}
