import { useRef } from 'react'
import type { Schemas } from '../../api/client'

type Act = (kind: Schemas['StageAct'], value?: number) => void

/** So long the answer to a press may take; after that what the program says holds again. */
const answerMs = 3000

/** Moves the tempo. Presses add up however fast they come: each goes on from the one before, not from the last answer. */
export function useNudge({ position, drills }: Schemas['SessionView'], act: Act) {
  const last = useRef({ of: '', nudge: 0, at: -answerMs })
  const drill = drills[position]!
  // A take may take the nudge into its own tempo; then it begins at none.
  const of = `${position}:${drill.takes}`
  return (beats: number) => {
    const { current } = last
    const isPending = current.of === of && performance.now() - current.at < answerMs
    const nudge = (isPending ? current.nudge : drill.nudge) + beats
    last.current = { of, nudge, at: performance.now() }
    act('Nudge', nudge)
  }
}
