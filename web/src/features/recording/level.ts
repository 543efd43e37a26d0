/** What is to be said about the level of what comes in. */
export type LevelWord = '' | 'silent' | 'clips'

const silentBelow = 0.0005
const silentAfterMs = 4000
const clipsFrom = 0.985
const clipsShownMs = 3000

/** Judges peaks as they come: nothing at all for some seconds is a muted microphone, and peaks at full scale are cut off. */
export class LevelWatch {
  private heardAt: number
  private clippedAt = -Infinity

  constructor(private readonly began: number) {
    this.heardAt = began
  }

  /** The word after a peak (0 to 1) at a time in milliseconds. */
  add(peak: number, at: number): LevelWord {
    if (peak > silentBelow) this.heardAt = at
    if (peak >= clipsFrom) this.clippedAt = at
    if (at - this.clippedAt < clipsShownMs) return 'clips'
    return at - Math.max(this.heardAt, this.began) > silentAfterMs ? 'silent' : ''
  }
}

/** In a sentence, with what to do. */
export const levelWords: Record<Exclude<LevelWord, ''>, string> = {
  silent: 'Nothing comes from the microphone. Is it muted, or another one meant?',
  clips: 'It is too loud for the microphone: move it away, or turn it down.',
}
