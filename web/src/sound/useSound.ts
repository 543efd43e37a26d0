import { useCallback, useEffect, useRef, useState } from 'react'
import type { Schemas } from '../api/client'
import type { Drone } from './drone'
import type { Metronome } from './metronome'
import { useWanted } from './useWanted'

/** What is to be heard; settings that are left out are the usual ones. */
type View = Pick<Schemas['SoundView'], 'cycle' | 'droneHertz'> & {
  settings: Partial<Schemas['SoundSettings']>
}

/** Click and drone for a page; what makes the sound is loaded when it is first asked for. */
export function useSound(view: View | undefined) {
  const click = useRef<Metronome | null>(null)
  const drone = useRef<Drone | null>(null)
  const latest = useRef(view)
  const [clicking, setClicking] = useState(false)
  const [droning, setDroning] = useState(false)
  const [failed, setFailed] = useState(false)
  const clickWanted = useWanted()
  const droneWanted = useWanted()

  useEffect(() => {
    latest.current = view
    if (!view) return
    click.current?.setView(view)
    if (drone.current?.running) drone.current.start(view.droneHertz)
  }, [view])

  useEffect(
    () => () => {
      click.current?.stop()
      drone.current?.stop()
    },
    [],
  )

  const stopClick = useCallback(() => {
    clickWanted.end()
    click.current?.stop()
    setClicking(false)
  }, [clickWanted])
  const startClick = useCallback(
    async (bpm: number, quietBars = 0) => {
      if (!latest.current) return
      const still = clickWanted.begin()
      setClicking(true)
      const loaded = await import('./metronome').catch(() => null)
      if (!still()) return
      setFailed(!loaded)
      if (!loaded) return setClicking(false)
      click.current ??= new loaded.Metronome(latest.current)
      click.current.setView(latest.current)
      click.current.start(bpm, quietBars)
    },
    [clickWanted],
  )
  const setTempo = useCallback((bpm: number) => click.current?.setTempo(bpm), [])
  const stopDrone = useCallback(() => {
    droneWanted.end()
    drone.current?.stop()
    setDroning(false)
  }, [droneWanted])
  const startDrone = useCallback(async () => {
    if (!latest.current?.droneHertz.length) return
    const still = droneWanted.begin()
    setDroning(true)
    const loaded = await import('./drone').catch(() => null)
    if (!still()) return
    setFailed(!loaded)
    if (!loaded) return setDroning(false)
    drone.current ??= new loaded.Drone()
    drone.current.start(latest.current.droneHertz)
  }, [droneWanted])
  const beat = useCallback(() => click.current?.beat() ?? null, [])
  const tempo = useCallback(() => (click.current?.running ? click.current.tempo : null), [])
  return { clicking, droning, failed, startClick, stopClick, setTempo, startDrone, stopDrone, beat, tempo }
}

export type Sound = ReturnType<typeof useSound>
