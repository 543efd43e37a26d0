import type { Schemas } from '../../api/client'

/** What the right pedal means now. */
export function yesName({ cue, question }: Schemas['SessionView'], heard: boolean, running: boolean) {
  if (cue?.run) return running ? (cue.run.beatsEach > 0 ? 'on the click' : 'found') : 'start'
  if (question) return heard ? 'right' : 'hear it'
  return cue?.countsTakes ? 'clean' : 'done'
}

/** What the left pedal means now. */
export function noName({ cue, question }: Schemas['SessionView'], heard: boolean, running: boolean) {
  if (cue?.run) return running ? (cue.run.beatsEach > 0 ? 'late' : 'give up') : 'back'
  if (question) return heard ? 'wrong' : 'hear it'
  return cue?.countsTakes ? 'missed' : 'back'
}
