import { describe, expect, it } from 'vitest'
import { papersOf } from './usePaper'

const box = { id: 1, passageId: 7, bars: '9–10', x: 0.2, y: 0.3, width: 0.5, height: 0.1 }
const pages = [
  { pageId: 1, contentType: 'image/png', box },
  { pageId: 1, contentType: 'image/png', box: null },
  { pageId: 2, contentType: 'application/pdf', box: null },
]

describe('paper on the stage', () => {
  it('is where the passage stands, then each page: in halves where the screen is wide', () => {
    expect(papersOf(pages, false).map((one) => [one.pageId, one.area.height])).toEqual([
      [1, 0.1],
      [1, 1],
      [2, 1],
    ])
    const wide = papersOf(pages, true)
    expect(wide.map((one) => [one.pageId, one.area.y, one.isPdf])).toEqual([
      [1, 0.3, false],
      [1, 0, false],
      [1, 0.47, false],
      [2, 0, true],
    ])
    expect(wide[1]!.area.height + wide[2]!.area.height).toBeGreaterThan(1)
  })
})
