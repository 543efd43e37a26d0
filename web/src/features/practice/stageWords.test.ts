import { expect, test } from 'vitest'
import type { Schemas } from '../../api/client'
import { countOf, noName, yesName } from './stageWords'

const cue = (loop: Schemas['Cue']['loop']) =>
  ({ count: '2:00 without a miss', countsTakes: true, loop }) as unknown as Schemas['Cue']
const session = (loop: Schemas['Cue']['loop']) =>
  ({ cue: cue(loop), question: null, drills: [], position: 0 }) as unknown as Schemas['SessionView']

test('a stretch without a miss runs with the clock from the press that begins it', () => {
  const before = { fromSeconds: null, neededSeconds: 120 }
  const begun = { fromSeconds: 30, neededSeconds: 120 }
  expect(countOf(cue(before), 66.4)).toBe('2:00 without a miss')
  expect(countOf(cue(begun), 66.4)).toBe('0:36 of 2:00 without a miss')
  // The page may be a moment behind the file.
  expect(countOf(cue(begun), 29.8)).toBe('0:00 of 2:00 without a miss')
  expect(yesName(session(before), false, false)).toBe('start')
  expect(yesName(session(begun), false, false)).toBe('goes on')
  expect(noName(session(before), false, false)).toBe('back')
  expect(noName(session(begun), false, false)).toBe('missed')
})
