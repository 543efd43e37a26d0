import { expect, it } from 'vitest'
import type { Schemas } from '../../api/client'
import { countOf } from './stageWords'
import { turnSound } from './useTurn'

const cue = (part: Partial<Schemas['Cue']>) => ({ title: '', sentence: '', ...part }) as Schemas['Cue']

it('sounds rest, work and the ways between them apart', () => {
  const period = { endsAtSeconds: 240 }
  expect(turnSound(cue({ period, turnsAtSeconds: 80 }))).toBe('soundStep')
  expect(turnSound(cue({ period, turnsAtSeconds: 240 }))).toBe('soundRest')
  expect(turnSound(cue({ period, turnsAtSeconds: 240, resting: true }))).toBe('soundTurn')
  expect(turnSound(cue({ turnsAtSeconds: 240 }))).toBe('soundTurn')
})

it('says the seconds of a way to work where they are not those of the big figure', () => {
  const period = { endsAtSeconds: 240 }
  const count = 'round 1 of 5, long-short'
  expect(countOf(cue({ period, count, turnsAtSeconds: 80 }), 47.2)).toBe('round 1 of 5, long-short: 33 s')
  expect(countOf(cue({ period, count, turnsAtSeconds: 240 }), 230)).toBe(count)
})
