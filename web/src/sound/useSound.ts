import { useCallback, useEffect, useRef, useState } from 'react'
import type { Schemas } from '../api/client'
import type { Drone } from './drone'
import type { Metronome } from './metronome'

type View = Schemas['SoundView']

/** Click and drone for a page; what makes the sound is loaded when it is first asked for. */
export function useSound(view: View | undefined) {
  const click = useRef<Metronome | null>(null)
  const drone = useRef<Drone | null>(null)
  const latest = useRef(view)
  const [clicking, setClicking] = useState(false)
  const [droning, setDroning] = useState(false)

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

  const startClick = useCallback(async (bpm: number) => {
    if (!latest.current) return
    setClicking(true)
    const { Metronome } = await import('./metronome')
    click.current ??= new Metronome(latest.current)
    click.current.setView(latest.current)
    click.current.start(bpm)
  }, [])
  const stopClick = useCallback(() => {
    click.current?.stop()
    setClicking(false)
  }, [])
  const setTempo = useCallback((bpm: number) => click.current?.setTempo(bpm), [])
  const startDrone = useCallback(async () => {
    if (!latest.current?.droneHertz.length) return
    setDroning(true)
    const { Drone } = await import('./drone')
    drone.current ??= new Drone()
    drone.current.start(latest.current.droneHertz)
  }, [])
  const stopDrone = useCallback(() => {
    drone.current?.stop()
    setDroning(false)
  }, [])
  const beat = useCallback(() => click.current?.beat() ?? null, [])
  const tempo = useCallback(() => (click.current?.running ? click.current.tempo : null), [])
  return { clicking, droning, startClick, stopClick, setTempo, startDrone, stopDrone, beat, tempo }
}

export type Sound = ReturnType<typeof useSound>
