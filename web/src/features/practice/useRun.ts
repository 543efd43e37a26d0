import { useCallback, useEffect, useRef, useState } from 'react'
import type { Schemas } from '../../api/client'
import type { Metronome } from '../../sound/metronome'
import { plainClick } from '../../sound/plainClick'

type Run = Schemas['RunCue']

export interface RunState {
  /** The step at hand; -1 while counting in. */
  step: number
  /** Beat of the step from 0, or seconds left against the clock. */
  count: number
  late: number
}

/** Runs over keys or chords on the click, or over positions against the clock. */
export function useRun(
  run: Run | null | undefined,
  tempo: number | null,
  end: (late: number, seconds: number) => void,
) {
  const [state, setState] = useState<RunState | null>(null)
  const live = useRef<{ click: Metronome | null; began: number; late: number; step: number } | null>(null)
  const done = useRef(end)
  useEffect(() => {
    done.current = end
  })

  const stop = useCallback(() => {
    live.current?.click?.stop()
    live.current = null
    setState(null)
  }, [])
  const finish = useCallback(() => {
    const was = live.current
    if (!was) return
    stop()
    done.current(was.late, (performance.now() - was.began) / 1000)
  }, [stop])

  const start = useCallback(async () => {
    if (!run) return
    stop()
    live.current = { click: null, began: performance.now(), late: 0, step: run.beatsEach > 0 ? -1 : 0 }
    setState({ step: live.current.step, count: 0, late: 0 })
    if (run.beatsEach === 0) return
    const { Metronome } = await import('../../sound/metronome')
    if (!live.current) return
    live.current.click = new Metronome(plainClick(run.beatsEach))
    live.current.click.start(tempo ?? 60)
  }, [run, tempo, stop])

  /** Came late on the click; gave up against the clock. */
  const late = useCallback(() => {
    if (!live.current || !run) return
    live.current.late++
    if (run.beatsEach === 0) finish()
  }, [run, finish])

  /** Found, against the clock. */
  const found = useCallback(() => {
    if (!live.current || !run || run.beatsEach > 0) return
    live.current.step++
    if (live.current.step >= run.steps.length) finish()
  }, [run, finish])

  const running = state !== null
  useEffect(() => {
    if (!running || !run) return
    const timer = setInterval(() => {
      const now = live.current
      if (!now) return
      if (run.beatsEach === 0) {
        const left = run.limitSeconds - (performance.now() - now.began) / 1000
        setState({ step: now.step, count: Math.ceil(left), late: now.late })
        return
      }
      const beat = now.click?.beat() ?? null
      if (beat === null) return
      const step = Math.floor(beat / run.beatsEach)
      if (step >= run.steps.length) finish()
      else
        setState({ step: Math.max(-1, step), count: Math.floor(beat) - step * run.beatsEach, late: now.late })
    }, 50)
    return () => clearInterval(timer)
  }, [running, run, finish])

  useEffect(() => stop, [run, stop])
  return { state, start, stop, late, found }
}
