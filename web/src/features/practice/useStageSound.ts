import { useCallback, useEffect } from 'react'
import { api, type Schemas } from '../../api/client'
import { useSound } from '../../sound/useSound'

/** Click and drone on the stage: with the drill when they are set so, by key at any time, silent while it is paused. */
export function useStageSound(session: Schemas['SessionView']) {
  const view = api.useQuery('get', '/api/sound', undefined, { throwOnError: false })
  const { clicking, droning, failed, startClick, stopClick, setTempo, startDrone, stopDrone, beat } =
    useSound(view.data)
  const tempo = session.target?.tempo ?? null
  const place = `${session.id}:${session.position}`
  const area = session.drills[session.position]?.area
  const settings = view.data?.settings
  // A run brings its own click.
  const inRun = Boolean(session.cue?.run)
  const clickHere = (settings?.withDrill ?? false) && tempo !== null && !session.cue?.resting && !inRun
  const droneHere = (settings?.droneWithDrill ?? false) && area === 'WarmUp'

  // The turn of a drill, and pause: what belongs to the drill starts and stops with it.
  useEffect(() => {
    if (session.running && clickHere && tempo !== null) void startClick(tempo)
    else stopClick()
    if (session.running && droneHere) void startDrone()
    else stopDrone()
    // The tempo is followed below without a new start.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [place, session.running, clickHere, droneHere])

  useEffect(() => {
    if (tempo !== null) setTempo(tempo)
  }, [tempo, setTempo])

  const toggleClick = useCallback(() => {
    if (clicking) stopClick()
    else if (tempo !== null && !inRun) void startClick(tempo)
  }, [clicking, tempo, inRun, startClick, stopClick])
  const toggleDrone = useCallback(() => {
    if (droning) stopDrone()
    else void startDrone()
  }, [droning, startDrone, stopDrone])
  return { clicking, droning, failed, beat, toggleClick, toggleDrone }
}
