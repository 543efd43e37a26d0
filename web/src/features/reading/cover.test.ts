import { describe, expect, it } from 'vitest'
import { cover, isCovered } from './cover'

describe('covering bars', () => {
  it('covers a bar as it begins to sound, or one or two before it', () => {
    const bars = [1, 2, 3, 4, 5]
    const covered = (sounding: number | null, ahead: number | null) =>
      bars.filter((bar) => isCovered(bar, sounding, ahead))
    expect(covered(null, 2)).toEqual([])
    expect(covered(0, 2)).toEqual([])
    expect(covered(2, null)).toEqual([])
    expect(covered(2, 0)).toEqual([1, 2])
    expect(covered(2, 1)).toEqual([1, 2, 3])
    expect(covered(2, 2)).toEqual([1, 2, 3, 4])
  })

  it('hides the notes and leaves the bar lines', () => {
    const music = document.createElement('div')
    music.innerHTML =
      '<i class="abcjs-note abcjs-mm0"></i><i class="abcjs-bar abcjs-mm0"></i><i class="abcjs-note abcjs-mm1"></i>'
    const seen = () => [...music.children].map((part) => (part as HTMLElement).style.visibility)
    cover(music, 2, (bar) => bar === 1)
    expect(seen()).toEqual(['hidden', '', ''])
    cover(music, 2, () => false)
    expect(seen()).toEqual(['', '', ''])
  })
})
