import { useChosen } from '../../ui/useChosen'

/** Chosen here, read where a recording begins. */
export const clickAsLight = 'record-click-as-light'

/** Chosen here, read where a take was heard. */
export const heardMarks = 'stage-heard-marks'

/** How the stage is worked in this browser. */
export function useStageChoices() {
  /** Whether single letters, figures and signs do things. */
  const letters = useChosen('stage-letters', true)
  /** Whether a pedal button that is held records; else it pauses. */
  const holdRecords = useChosen('stage-hold-records', false)
  /** Whether the click is only seen while something is recorded. */
  const asLight = useChosen(clickAsLight, false)
  /** Whether what is heard marks a take, when nothing is said against it. */
  const marks = useChosen(heardMarks, false)
  return { letters, holdRecords, asLight, marks }
}

export type StageChoices = ReturnType<typeof useStageChoices>
