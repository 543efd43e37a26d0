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

test('each kind of sound has its loudness, and all go out by one way, as loud as was chosen in this browser', async () => {
  const { loudness, setLoudness } = await import('./loudness')
  expect(loudness()).toBe(1)
  setLoudness(0.4)
  setLoudness(0.2, 'drone')
  const { loudspeaker } = await import('./output')
  expect(loudspeaker('click')).toBe(loudspeaker('click'))
  expect(loudspeaker('drone')).not.toBe(loudspeaker('click'))
  expect(made.ends).toBe(3)
  expect(made.gains.map((gain) => gain.value)).toEqual([0.4, 1, 0.2])
  setLoudness(0.7)
  setLoudness(0.5, 'click')
  expect(made.gains.map((gain) => gain.told)).toEqual([[0.7], [0.5], []])
  expect([loudness(), loudness('click'), loudness('drone'), loudness('tones')]).toEqual([0.7, 0.5, 0.2, 1])
})

test.each(['loud', '-1', '7', ''])('a loudness that cannot be (%s) is full', async (kept) => {
  localStorage.setItem('loudness', kept)
  const { loudness } = await import('./loudness')
  expect(loudness()).toBe(1)
})
