import { beforeEach, expect, test, vi } from 'vitest'

/** A made-up audio clock: what was put on it, and when. */
const clock = vi.hoisted(() => ({ now: 0, wake: () => {}, clicks: [] as { at: number; stopped: boolean }[] }))
vi.mock('./output', () => ({
  now: () => clock.now,
  loudspeaker: () => ({}),
  wakeEvery: (_: number, work: () => void) => {
    clock.wake = work
    return () => (clock.wake = () => {})
  },
  output: () => ({
    rawContext: {
      get currentTime() {
        return clock.now
      },
      destination: {},
      createBufferSource: () => {
        const click = { at: NaN, stopped: false }
        return {
          connect: () => undefined,
          start: (at: number) => {
            click.at = at
            clock.clicks.push(click)
          },
          stop: () => (click.stopped = true),
        }
      },
    },
  }),
}))
vi.mock('./voices', () => ({ clickBuffer: () => ({}) }))

import { Metronome } from './metronome'

const four = {
  cycle: { beats: 4, beatsPerBar: 4, clicks: [0, 1, 2, 3].map((at) => ({ at, level: at === 0 ? 3 : 1 })) },
  settings: {},
}
const heard = () =>
  clock.clicks
    .filter((click) => !click.stopped)
    .map((click) => click.at)
    .sort((a, b) => a - b)
const gaps = () =>
  heard()
    .slice(1)
    .map((at, i) => at - heard()[i]!)
/** Time goes on, the page looking only so often. */
const pass = (seconds: number, every = 0.06) => {
  for (let gone = 0; gone < seconds; gone += every) {
    clock.now += every
    clock.wake()
  }
}

beforeEach(() => Object.assign(clock, { now: 10, clicks: [], wake: () => {} }))

test('every click has its exact place, however seldom the page looks', () => {
  const click = new Metronome(four)
  click.start(180)
  pass(30, 1.5)
  expect(gaps().length).toBeGreaterThan(85)
  for (const gap of gaps()) expect(gap).toBeCloseTo(1 / 3, 9)
})

test('bars are counted in before the first', () => {
  const click = new Metronome({ ...four, settings: { countInBars: 2 } })
  click.start(60)
  expect(click.beat()).toBeLessThan(-7.9)
  pass(8.2)
  expect(click.beat()).toBeGreaterThan(0)
  for (const gap of gaps()) expect(gap).toBeCloseTo(1, 9)
})

test.each([
  [120, 60],
  [60, 120],
])('from %i to %i: the new tempo holds from the next beat, none is lost, doubled or late', (from, to) => {
  const click = new Metronome(four)
  click.start(from)
  pass(5.2)
  const before = click.beat()!
  click.setTempo(to)
  expect(click.beat()).toBeCloseTo(before, 6)
  pass(6)
  const all = gaps()
  const turn = all.findIndex((gap) => Math.abs(gap - 60 / to) < 1e-6)
  for (const gap of all.slice(0, turn)) expect(gap).toBeCloseTo(60 / from, 9)
  for (const gap of all.slice(turn)) expect(gap).toBeCloseTo(60 / to, 9)
  expect(turn * (60 / from)).toBeLessThan(5.2 + 60 / from)
})

test('a tempo changed while it counts in leaves the count whole', () => {
  const click = new Metronome({ ...four, settings: { countInBars: 1 } })
  click.start(120)
  pass(0.7)
  click.setTempo(60)
  pass(9)
  const first = heard().length
  expect(heard().filter((at) => at > 10 && at <= clock.now).length).toBe(
    first - heard().filter((at) => at > clock.now).length,
  )
  const counted = heard().map((at) => at - heard()[0]!)
  expect(counted.slice(0, 3).map((at) => at.toFixed(3))).toEqual(['0.000', '0.500', '1.000'])
  expect(
    gaps()
      .slice(2)
      .every((gap) => Math.abs(gap - 1) < 1e-9),
  ).toBe(true)
  expect(click.beat()).toBeGreaterThan(0)
})

test('it climbs by so many after so many bars, and no further than it was to', () => {
  const click = new Metronome({ ...four, settings: { gainStep: 20, gainBars: 1, gainTo: 150 } })
  click.start(120)
  pass(20)
  expect(click.tempo).toBe(150)
  expect(gaps()[0]).toBeCloseTo(0.5, 9)
  expect(gaps()[4]).toBeCloseTo(60 / 140, 9)
  expect(gaps().at(-1)).toBeCloseTo(60 / 150, 9)
})

test('stopped, nothing that was put ahead is heard', () => {
  const click = new Metronome(four)
  click.start(120)
  pass(2)
  click.stop()
  expect(heard().filter((at) => at > clock.now)).toEqual([])
  expect(click.beat()).toBeNull()
})

test('a new tempo is seen for a bar before it is counted in', () => {
  const click = new Metronome({ ...four, settings: { countInBars: 1 } })
  click.start(60, 1)
  expect(click.beat()).toBeCloseTo(-8.12)
  // A bar of four at 60 in silence, then the bar counted in, then the first of the first.
  expect(heard()[0]).toBeCloseTo(10.12 + 4)
  pass(8.2)
  expect(click.beat()).toBeGreaterThan(0)
  expect(heard()[4]).toBeCloseTo(10.12 + 8)
})

test('a page that was held up leaves out what it missed and plays nothing late', () => {
  const click = new Metronome(four)
  click.start(120)
  pass(30, 7.3)
  expect(gaps().every((gap) => gap > 0.4)).toBe(true)
  for (const beats of heard().map((at) => (at - 10.12) * 2)) expect(beats).toBeCloseTo(Math.round(beats), 6)
})
