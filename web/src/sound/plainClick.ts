import type { View } from './metronome'

/** A plain click for music in bars: one bar counted in, the first beat of each the strongest. */
export const plainClick = (beats: number): View => ({
  cycle: {
    beats,
    beatsPerBar: beats,
    clicks: Array.from({ length: beats }, (_, at) => ({ at, level: at === 0 ? 3 : 1 })),
  },
  settings: { countInBars: 1 },
})
