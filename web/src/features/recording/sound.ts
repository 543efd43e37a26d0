import { bookQuery } from '../../api/book'

/** Points of a picture. */
const pictured = 1200
const blockSeconds = 0.02
/** Below the loudest by so much it is no playing any more, in dB. */
const playingWithin = 40
/** For how loud it is, what is softer than the loudest by more does not count, in dB. */
const loudWithin = 20

/** Enough to draw from; it is played from elsewhere. */
const drawnRate = 8000

/** Fetches a recording and decodes it. */
export async function decode(id: number, rate = drawnRate): Promise<AudioBuffer> {
  const answer = await fetch(bookQuery(`/api/recordings/${id}/sound`))
  if (!answer.ok) throw new Error('Its sound is not here.')
  return new OfflineAudioContext(1, 1, rate).decodeAudioData(await answer.arrayBuffer())
}

/** The highest peak in each of so many stretches. */
export function peaksOf(samples: Float32Array, points = pictured) {
  const peaks = new Float32Array(Math.min(points, samples.length))
  for (let i = 0; i < peaks.length; i++) {
    const end = Math.floor(((i + 1) * samples.length) / peaks.length)
    for (let at = Math.floor((i * samples.length) / peaks.length); at < end; at++)
      peaks[i] = Math.max(peaks[i]!, Math.abs(samples[at]!))
  }
  return peaks
}

/** Mean powers of blocks of a fiftieth of a second. */
function powers(samples: Float32Array, rate: number) {
  const size = Math.max(1, Math.round(rate * blockSeconds))
  const blocks = new Float32Array(Math.ceil(samples.length / size))
  for (let i = 0; i < samples.length; i++) {
    const block = Math.floor(i / size)
    blocks[block] = blocks[block]! + (samples[i]! * samples[i]!) / size
  }
  return blocks
}

/** From the first to the last block that is near to the loudest, in seconds: what was played, without the silence around it. */
export function playedSpan(samples: Float32Array, rate: number) {
  const blocks = powers(samples, rate)
  const least = blocks.reduce((most, one) => Math.max(most, one), 0) * 10 ** (-playingWithin / 10)
  const isPlayed = (power: number) => power > 0 && power >= least
  const first = blocks.findIndex(isPlayed)
  const last = blocks.findLastIndex(isPlayed)
  const seconds = samples.length / rate
  if (first < 0) return { from: 0, to: seconds }
  return { from: first * blockSeconds, to: Math.min(seconds, (last + 1) * blockSeconds) }
}

/** How loud it is in dB below full scale: the mean power of its loud blocks, as programme loudness is measured (after ITU-R BS.1770, without its filter). */
export function loudnessOf(samples: Float32Array, rate: number) {
  const blocks = powers(samples, rate)
  const gate = blocks.reduce((most, one) => Math.max(most, one), 0) * 10 ** (-loudWithin / 10)
  const loud = blocks.filter((one) => one > 0 && one >= gate)
  if (loud.length === 0) return -Infinity
  return 10 * Math.log10(loud.reduce((sum, one) => sum + one, 0) / loud.length)
}

/** By what two are multiplied so that they are equally loud: the louder is made softer, nothing is made louder. */
export function levelled(one: number, other: number): [number, number] {
  if (!Number.isFinite(one) || !Number.isFinite(other)) return [1, 1]
  const softer = Math.min(one, other)
  return [10 ** ((softer - one) / 20), 10 ** ((softer - other) / 20)]
}
