import { expect, test } from 'vitest'
import { levelled, loudnessOf, peaksOf, playedSpan } from './sound'

const rate = 8000
/** A tone of so many seconds, with silence around it. */
function tone(before: number, seconds: number, after: number, amplitude: number) {
  const samples = new Float32Array(Math.round((before + seconds + after) * rate))
  for (let i = 0; i < seconds * rate; i++)
    samples[Math.round(before * rate) + i] = amplitude * Math.sin((2 * Math.PI * 440 * i) / rate)
  return samples
}

test('what was played is found between the silence around it', () => {
  const { from, to } = playedSpan(tone(0.5, 2, 1, 0.4), rate)
  expect(from).toBeCloseTo(0.5, 1)
  expect(to).toBeCloseTo(2.5, 1)
})

test('what is silent from end to end is shown as a whole', () => {
  expect(playedSpan(new Float32Array(rate), rate)).toEqual({ from: 0, to: 1 })
})

// The mean power of a sine of full scale is half of it: -3.01 dB (by definition).
test('a sine at full scale is 3 dB below it, at a tenth 20 dB softer, whatever silence is around it', () => {
  expect(loudnessOf(tone(0, 1, 0, 1), rate)).toBeCloseTo(-3.01, 1)
  expect(loudnessOf(tone(2, 1, 2, 0.1), rate)).toBeCloseTo(-23.01, 1)
})

test('the louder one is made softer, and nothing louder', () => {
  expect(levelled(-10, -16)).toEqual([10 ** (-6 / 20), 1])
  expect(levelled(-20, -14)).toEqual([1, 10 ** (-6 / 20)])
  expect(levelled(-Infinity, -14)).toEqual([1, 1])
})

test('a picture has the highest peak of each stretch', () => {
  expect([...peaksOf(Float32Array.from([0, -0.5, 0.25, 0.125, 1, 0]), 3)]).toEqual([0.5, 0.25, 1])
  expect(peaksOf(new Float32Array(5)).length).toBe(5)
})
