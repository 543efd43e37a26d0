import { expect, test } from 'vitest'
import { clickBuffer, strokeBuffer } from './voices'

/** Samples as an audio context makes them, without sound. */
function context() {
  let made = 0
  const rate = 44100
  return {
    get made() {
      return made
    },
    sampleRate: rate,
    createBuffer: (_: number, length: number) => {
      made++
      const data = new Float32Array(length)
      return { length, getChannelData: () => data }
    },
  }
}
type Made = ReturnType<typeof context>
const as = (made: Made) => made as unknown as BaseAudioContext
const samples = (buffer: AudioBuffer) => buffer.getChannelData(0)

test('a sound is reckoned once for each context', () => {
  const one = context()
  const first = strokeBuffer(as(one), 0, 3, 'Strong')
  for (let i = 0; i < 50; i++) expect(strokeBuffer(as(one), 0, 3, 'Strong')).toBe(first)
  expect(one.made).toBe(1)
  expect(strokeBuffer(as(one), 1, 3, 'Strong')).not.toBe(first)
  expect(strokeBuffer(as(context()), 0, 3, 'Strong')).not.toBe(first)
})

test('every click is heard from its first sample on, and is over before the next one at 400 a minute', () => {
  for (const voice of ['Click', 'Drums'] as const)
    for (const level of [0, 1, 2, 3]) {
      const heard = samples(clickBuffer(as(context()), voice, level))
      expect(Math.abs(heard[0]!)).toBeGreaterThan(0.05)
      expect(heard.length / 44100).toBeLessThan(60 / 400 + 0.02)
      expect(Math.abs(heard.at(-1)!)).toBeLessThan(0.02)
      expect(Math.max(...heard.map(Math.abs))).toBeLessThanOrEqual(1)
    }
})

test('a strong stroke is louder than a plain one, a plain one than a soft one', () => {
  const loud = (['Soft', 'Plain', 'Strong'] as const).map((stroke) =>
    Math.max(...samples(strokeBuffer(as(context()), 1, 3, stroke)).map(Math.abs)),
  )
  expect(loud[0]).toBeLessThan(loud[1]!)
  expect(loud[1]).toBeLessThan(loud[2]!)
})

test('the lowest line sounds lower than the highest', () => {
  const crossings = (line: number) => {
    const heard = samples(strokeBuffer(as(context()), line, 3, 'Plain')).slice(600, 3000)
    return heard.filter((value, i) => i > 0 && value * heard[i - 1]! < 0).length
  }
  // Lines are written from the highest down to the lowest.
  expect(crossings(2)).toBeLessThan(crossings(0))
})
