import { expect, it } from 'vitest'
import type { Schemas } from '../../api/client'
import { helpChoices, helpOf } from './stageHelp'

const help = (part: Partial<Schemas['HelpCue']>) =>
  ({
    title: 'Mill Song, 3–4',
    targetIndex: 0,
    canSlow: true,
    halfTo: 3,
    canSayWhy: true,
    ...part,
  }) as Schemas['HelpCue']

it('offers what can be done with the thing, by figure and by pedal', () => {
  expect(helpChoices(help({})).map(({ name }) => name)).toEqual([
    'slower',
    'to bar 3 only',
    'something else for 3 min',
    'go on',
  ])
  expect(helpOf(help({}), '2')).toBe('smaller')
  expect(helpOf(help({}), 'yes')).toBe('slower')
  expect(helpOf(help({}), 'no')).toBe('none')
})

it('has no figure for what is not offered', () => {
  const plain = help({ canSlow: false, halfTo: null })
  expect(helpOf(plain, '1')).toBeNull()
  expect(helpOf(plain, '2')).toBeNull()
  expect(helpOf(plain, 'yes')).toBe('break')
})
