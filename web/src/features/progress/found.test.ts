import { describe, expect, it } from 'vitest'
import { found } from './found'

const marked = (text: string, search: string) =>
  found(text, search)
    .filter((part) => part.isFound)
    .map((part) => part.text)

describe('found', () => {
  it('marks words by their beginnings, in any order and without their accents', () => {
    expect(marked('The left Hände, left out', 'hand left')).toEqual(['left', 'Hände', 'left'])
  })
  it('marks nothing inside a word, and nothing where nothing is looked for', () => {
    expect(marked('Überschlag', 'schlag')).toEqual([])
    expect(marked('Überschlag', ' % ')).toEqual([])
  })
  it('loses nothing of the text', () => {
    const text = 'Bar 9: “later” — than\n\nI think.'
    expect(
      found(text, 'bar i')
        .map((part) => part.text)
        .join(''),
    ).toBe(text)
  })
})
