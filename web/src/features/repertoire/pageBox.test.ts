import { describe, expect, it } from 'vitest'
import { between, cropped } from './pageBox'

describe('a box on a page', () => {
  it('is the same from whichever corner it was drawn, and stays on the page', () => {
    const box = between({ x: 0.2, y: 0.5 }, { x: 0.6, y: 0.3 })
    expect(box.x).toBe(0.2)
    expect(box.y).toBe(0.3)
    expect(box.width).toBeCloseTo(0.4)
    expect(box.height).toBeCloseTo(0.2)
    expect(between({ x: 0.6, y: 0.3 }, { x: 0.2, y: 0.5 })).toEqual(box)
    expect(between({ x: -1, y: 0.5 }, { x: 2, y: 3 })).toEqual({ x: 0, y: 0.5, width: 1, height: 0.5 })
  })

  it('shows as large as its frame allows, undistorted, and nothing else', () => {
    const area = { x: 0.1, y: 0.4, width: 0.8, height: 0.1 }
    const wide = cropped(area, { width: 1000, height: 1400 }, { width: 1200, height: 400 })
    expect(wide.width).toBeCloseTo(1200)
    expect(wide.height).toBeCloseTo(210)
    expect(wide.picture.width / wide.picture.height).toBeCloseTo(1000 / 1400)
    expect(-wide.picture.left / wide.picture.width).toBeCloseTo(0.1)
    expect(-wide.picture.top / wide.picture.height).toBeCloseTo(0.4)
    const low = cropped(area, { width: 1000, height: 1400 }, { width: 1200, height: 70 })
    expect(low.height).toBeCloseTo(70)
    expect(low.width).toBeCloseTo(400)
  })
})
