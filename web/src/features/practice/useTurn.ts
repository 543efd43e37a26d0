import { useEffect, useRef } from 'react'
import type { Schemas } from '../../api/client'

/** What is heard when a cue gives way by the clock: work to rest, rest to work, one way of working to the next. */
export const turnSound = ({ period, resting, turnsAtSeconds }: Schemas['Cue']) =>
  !period || resting ? 'soundTurn' : turnsAtSeconds === period.endsAtSeconds ? 'soundRest' : 'soundStep'

const signals = () => import('../../sound/signals')

/**
 * When the time is up: a sound and on to the next; a take that is under way may end first. Where work and rest take turns
 * the file is told at once, so that the stage turns with them.
 */
export function useTurn(
  session: Schemas['SessionView'] | undefined,
  played: number,
  act: (kind: Schemas['StageAct']) => void,
  look: (now: boolean) => Promise<void>,
) {
  const drill = session?.drills[session.position]
  const place = session ? `${session.id}:${session.position}` : ''
  const told = useRef({ place, last: '', left: '', turned: '' })
  useEffect(() => {
    if (told.current.place !== place && told.current.place !== '')
      void signals().then((one) => one.soundTurn())
    told.current.place = place
  }, [place])
  useEffect(() => {
    if (!session?.running || !drill || !session.cue) return
    const turn = session.cue.turnsAtSeconds
    if (turn !== null && turn !== undefined && played >= turn) {
      const name = `${place}:${turn}`
      if (told.current.turned !== name) {
        const sound = turnSound(session.cue)
        void signals().then((one) => one[sound]())
        void look(true)
      }
      told.current.turned = name
    }
    const over = played - drill.allowedSeconds
    if (over < 0) {
      // Opened again, or given more time: its end is still to come.
      told.current.last = ''
      told.current.left = ''
      return
    }
    if (over < (session.cue.graceSeconds ?? 0)) {
      if (told.current.last !== place) void signals().then((one) => one.soundLast())
      told.current.last = place
    } else if (told.current.left !== place) {
      told.current.left = place
      act('Done')
    }
  }, [session, drill, played, place, act, look])
}
