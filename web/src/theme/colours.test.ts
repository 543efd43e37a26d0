import { expect, test } from 'vitest'
import { areaColours, colours, type Colour } from './colours'

/** Relative luminance and contrast, as WCAG 2.2 defines them. */
function luminance(hex: string) {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const part = Number.parseInt(hex.slice(at, at + 2), 16) / 255
    return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4
  })
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!
}
function contrast(one: string, other: string) {
  const [low, high] = [luminance(one), luminance(other)].sort((a, b) => a - b)
  return (high! + 0.05) / (low! + 0.05)
}

test('the sum of the contrast is the one of the standard: black on white 21, #767676 on white 4.54', () => {
  expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 5)
  expect(contrast('#767676', '#ffffff')).toBeCloseTo(4.54, 2)
})

// WCAG 2.2, 1.4.3: words 4.5 to 1. 1.4.11: signs, edges of what is pressed, and the focus 3 to 1.
const words: [Colour, Colour[]][] = [
  ['ink', ['paper', 'sheet', 'chosen', 'marked', 'white']],
  ['faded', ['paper', 'sheet']],
  ['accent', ['paper', 'sheet']],
  ['wrong', ['paper', 'sheet']],
  ['paper', ['ink', 'inkHover']],
  ['stageText', ['stage', 'stageHover', 'stageChosen', 'stageWrong']],
  ['stageFaded', ['stage', 'stageHover']],
  ['stageAccent', ['stage', 'stageHover', 'stageWrong']],
]
const signs: [Colour, Colour[]][] = [
  ['edge', ['paper', 'sheet']],
  ['focus', ['paper', 'sheet', 'chosen']],
  ['stageEdge', ['stage', 'stageHover']],
  ['stageAccent', ['stage', 'stageHover']],
]

test.each(words.flatMap(([one, grounds]) => grounds.map((ground) => [one, ground] as const)))(
  'words in %s can be read on %s',
  (one, ground) => expect(contrast(colours[one], colours[ground])).toBeGreaterThanOrEqual(4.5),
)

test.each(signs.flatMap(([one, grounds]) => grounds.map((ground) => [one, ground] as const)))(
  'signs and edges in %s can be seen on %s',
  (one, ground) => expect(contrast(colours[one], colours[ground])).toBeGreaterThanOrEqual(3),
)

test('each area can be seen on paper and on the stage', () => {
  for (const { colour, onDark } of Object.values(areaColours)) {
    expect(contrast(colour, colours.paper)).toBeGreaterThanOrEqual(4.5)
    expect(contrast(onDark, colours.stage)).toBeGreaterThanOrEqual(4.5)
  }
})
