import { expect, test } from 'vitest'
import { LevelWatch } from './level'

test('nothing at all for four seconds is silence; a room that hums is none', () => {
  const muted = new LevelWatch(1000)
  expect(muted.add(0, 4900)).toBe('')
  expect(muted.add(0.0001, 5100)).toBe('silent')
  expect(muted.add(0.002, 5200)).toBe('')
  expect(muted.add(0, 9000)).toBe('')
  expect(muted.add(0, 9300)).toBe('silent')
})

test('a peak at full scale is told for three seconds', () => {
  const loud = new LevelWatch(0)
  expect(loud.add(0.97, 100)).toBe('')
  expect(loud.add(0.99, 200)).toBe('clips')
  expect(loud.add(0.3, 3100)).toBe('clips')
  expect(loud.add(0.3, 3300)).toBe('')
})
