import { beforeEach, expect, test, vi } from 'vitest'

/** A made-up audio context that keeps what was connected and set. */
const made = vi.hoisted(() => ({ gains: [] as { value: number; told: number[] }[], ends: 0 }))
vi.mock('tone/build/esm/core/context/Context', () => ({
  Context: class {
    state = 'running'
    rawContext = {
      currentTime: 0,
      destination: {},
      createGain: () => {
        const gain = { value: 1, told: [] as number[], setTargetAtTime: (to: number) => gain.told.push(to) }
        made.gains.push(gain)
        return { gain, connect: () => made.ends++ }
      },
    }
  },
}))
vi.mock('tone/build/esm/core/Global', () => ({ setContext: () => {} }))

beforeEach(() => {
  made.gains = []
  made.ends = 0
  vi.resetModules()
  localStorage.clear()
})

test('everything goes out by one way, as loud as was chosen in this browser', async () => {
  const { loudness, setLoudness } = await import('./loudness')
  expect(loudness()).toBe(1)
  setLoudness(0.4)
  const { loudspeaker } = await import('./output')
  expect(loudspeaker()).toBe(loudspeaker())
  expect(made.ends).toBe(1)
  expect(made.gains.map((gain) => gain.value)).toEqual([0.4])
  setLoudness(0.7)
  expect(made.gains[0]!.told).toEqual([0.7])
  expect(loudness()).toBe(0.7)
})

test.each(['loud', '-1', '7', ''])('a loudness that cannot be (%s) is full', async (kept) => {
  localStorage.setItem('loudness', kept)
  const { loudness } = await import('./loudness')
  expect(loudness()).toBe(1)
})
