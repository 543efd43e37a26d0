import { expect, it } from 'vitest'
import { barsOf, moveBorder, regrouped, toggleBorder } from './cycle'
import type { Settings } from './SoundPage'

const settings = (part: Partial<Settings>) => ({ beats: 4, ...part }) as Settings

it('a border comes, goes and moves, and the beats stay as many', () => {
  expect(toggleBorder([7], 3)).toEqual({ isBorder: false, toggled: [3, 4] })
  expect(toggleBorder([3, 4], 5).toggled).toEqual([3, 2, 2])
  expect(toggleBorder([3, 2, 2], 3)).toEqual({ isBorder: true, toggled: [5, 2] })
  expect(moveBorder([3, 2, 2], 3, -1)).toEqual([2, 3, 2])
  expect(moveBorder([3, 2, 2], 3, 2)).toBeNull()
  expect(moveBorder([3, 4], 3, -3)).toBeNull()
  expect(moveBorder([3, 4], 3, 4)).toBeNull()
})

it('what was touched follows the groups', () => {
  expect(regrouped(settings({}), [2, 2])).toEqual({ groups: [2, 2] })
  const touches = ['Loud', 'Soft', 'Soft', 'Silent'] as const
  expect(regrouped(settings({ touches: [...touches] }), [2, 1, 1])).toEqual({
    groups: [2, 1, 1],
    touches: ['Loud', 'Soft', 'Loud', 'Silent'],
  })
})

it('bars heard and silent', () => {
  expect(barsOf(settings({ soundBars: 2, silentBars: 1 }))).toEqual({ heard: 2, silent: 1 })
  expect(barsOf(settings({ everyNthBar: 4 }))).toEqual({ heard: 1, silent: 3 })
  expect(barsOf(settings({}))).toEqual({ heard: 1, silent: 0 })
})
