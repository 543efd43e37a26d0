import type { Settings } from './SoundPage'

/** How a beat is touched. */
export type Touch = 'Silent' | 'Soft' | 'Loud'

/** Touched once more. */
export const nextTouch: Record<Touch, Touch> = { Loud: 'Soft', Soft: 'Silent', Silent: 'Loud' }

/** The sizes of the groups; one where the bar is not parted. */
export function groupsOf({ beats = 4, groups }: Settings): number[] {
  return groups?.length ? groups : [beats]
}

/** The beats, from 0, with which groups begin. */
function startsOf(groups: number[]) {
  return groups.map((_, i) => groups.slice(0, i).reduce((sum, group) => sum + group, 0))
}

function fromStarts(starts: number[], beats: number) {
  const sorted = [...starts].sort((a, b) => a - b)
  return sorted.map((start, i) => (sorted[i + 1] ?? beats) - start)
}

const beatsOf = (groups: number[]) => groups.reduce((sum, group) => sum + group, 0)

/** Whether a group begins with a beat, and the groups when that is otherwise. */
export function toggleBorder(groups: number[], beat: number) {
  const starts = startsOf(groups)
  const isBorder = starts.includes(beat)
  const next = isBorder ? starts.filter((start) => start !== beat) : [...starts, beat]
  return { isBorder, toggled: fromStarts(next, beatsOf(groups)) }
}

/** The groups when a border is moved by so many beats; null where it cannot go. */
export function moveBorder(groups: number[], beat: number, by: number): number[] | null {
  const [starts, beats] = [startsOf(groups), beatsOf(groups)]
  const to = beat + by
  if (to < 1 || to >= beats || starts.includes(to)) return null
  return fromStarts([...starts.filter((start) => start !== beat), to], beats)
}

/**
 * Other groups, and what was touched follows: a beat that begins a group is loud, one that does so no more is soft; a silent one stays
 * silent.
 */
export function regrouped(settings: Settings, groups: number[]): Partial<Settings> {
  const { beats = 4, touches } = settings
  if (touches?.length !== beats) return { groups }
  const [before, after] = [startsOf(groupsOf(settings)), startsOf(groups)]
  return {
    groups,
    touches: touches.map((touch, beat) =>
      touch === 'Silent' || before.includes(beat) === after.includes(beat)
        ? touch
        : after.includes(beat)
          ? 'Loud'
          : 'Soft',
    ),
  }
}

/** Bars heard and silent in the cycle. */
export function barsOf({ soundBars = 0, silentBars = 0, everyNthBar = 1 }: Settings) {
  if (silentBars > 0) return { heard: soundBars, silent: silentBars }
  return { heard: 1, silent: everyNthBar - 1 }
}
