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
  /** Steps that came late. */
  late: number[]
  /** True while the click waits for a repair. */
  repairs: boolean
}

/** What a run is under way: from which step the click counts, and what came late. */
interface Live {
  click: Metronome | null
  began: number
  late: number[]
  step: number
  from: number
  repairs: boolean
}

/** Runs over keys or chords on the click, or over positions against the clock. */
export function useRun(
  run: Run | null | undefined,
  tempo: number | null,
  end: (late: number[], seconds: number) => void,
) {
  const [state, setState] = useState<RunState | null>(null)
  const live = useRef<Live | null>(null)
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

  /** The click from a step on, one bar counted in. */
  const clickFrom = useCallback(
    async (step: number) => {
      if (!run) return
      const { Metronome } = await import('../../sound/metronome')
      if (!live.current) return
      live.current.click?.stop()
      Object.assign(live.current, { from: step, step, repairs: false })
      live.current.click = new Metronome(plainClick(run.beatsEach))
      live.current.click.start(tempo ?? 60)
    },
    [run, tempo],
  )

  const start = useCallback(async () => {
    if (!run) return
    stop()
    const onClick = run.beatsEach > 0
    live.current = {
      click: null,
      began: performance.now(),
      late: [],
      step: onClick ? -1 : 0,
      from: 0,
      repairs: false,
    }
    setState({ step: live.current.step, count: 0, late: [], repairs: false })
    if (onClick) await clickFrom(0)
  }, [run, stop, clickFrom])

  const mark = (now: Live) => {
    if (now.step >= 0 && !now.late.includes(now.step)) now.late.push(now.step)
  }

  /** Came late on the click; gave up against the clock. */
  const late = useCallback(() => {
    if (!live.current || !run) return
    mark(live.current)
    if (run.beatsEach === 0) finish()
  }, [run, finish])

  /** Stops for a repair, and goes on from the same place; what had to be repaired was late. */
  const repair = useCallback(() => {
    const now = live.current
    if (!now || !run || run.beatsEach === 0 || now.step < 0) return
    if (now.repairs) {
      void clickFrom(now.step)
      return
    }
    mark(now)
    now.click?.stop()
    now.repairs = true
    setState({ step: now.step, count: 0, late: [...now.late], repairs: true })
  }, [run, clickFrom])

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
        setState({ step: now.step, count: Math.ceil(left), late: [...now.late], repairs: false })
        return
      }
      const beat = now.repairs ? null : (now.click?.beat() ?? null)
      if (beat === null) return
      const step = now.from + Math.floor(beat / run.beatsEach)
      if (step >= run.steps.length) {
        finish()
        return
      }
      // While it is counted in after a repair the step stays.
      if (beat >= 0) now.step = step
      const count = Math.floor(beat) - Math.floor(beat / run.beatsEach) * run.beatsEach
      setState({
        step: beat >= 0 ? step : now.from > 0 ? now.from : -1,
        count,
        late: [...now.late],
        repairs: false,
      })
    }, 50)
    return () => clearInterval(timer)
  }, [running, run, finish])

  useEffect(() => stop, [run, stop])
  return { state, start, stop, late, found, repair }
}
