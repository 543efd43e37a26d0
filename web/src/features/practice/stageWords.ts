import type { Schemas } from '../../api/client'
import { sayClock } from '../../ui/words'

const deskNames: Record<Schemas['DeskKind'], string> = {
  SlowReading: 'read at the desk',
  FirstLook: 'look through it',
  Shelf: 'to the shelf',
  NewMusic: 'read it',
  EarRound: 'to the round',
  Paper: 'read it to the click',
  PlayAlong: 'to the song',
}

/** What the right pedal means now. */
export function yesName(session: Schemas['SessionView'], heard: boolean, running: boolean) {
  const { cue, question, drills, position } = session
  const desk = drills[position]?.desk
  if (desk) return deskNames[desk.kind]
  if (cue?.run) return running ? (cue.run.beatsEach > 0 ? 'repair' : 'found') : 'start'
  if (question) return heard ? 'I had it' : 'hear it'
  if (cue?.loop) return cue.loop.fromSeconds === null ? 'start' : 'goes on'
  if (cue?.period && !cue.countsTakes) return 'goes on'
  return cue?.countsTakes ? 'clean' : 'done'
}

/** What the left pedal means now. */
export function noName({ cue, question }: Schemas['SessionView'], heard: boolean, running: boolean) {
  if (cue?.run) return running ? (cue.run.beatsEach > 0 ? 'late' : 'give up') : 'back'
  if (question) return heard ? 'I had not' : 'hear it'
  if (cue?.loop?.fromSeconds === null) return 'back'
  return cue?.countsTakes ? 'missed' : 'back'
}

/** How far it is, beside what was counted: a stretch without a miss, or a way to work, runs with the clock. */
export function countOf({ count, loop, period, turnsAtSeconds }: Schemas['Cue'], played: number) {
  const from = loop?.fromSeconds ?? null
  if (from !== null) return `${sayClock(Math.floor(Math.max(0, played - from)))} of ${count}`
  const turn = turnsAtSeconds ?? null
  // The way at hand with its own seconds, unless they are those of the big figure.
  return period && turn !== null && turn !== period.endsAtSeconds
    ? `${count}: ${Math.max(0, Math.ceil(turn - played))} s`
    : count
}
