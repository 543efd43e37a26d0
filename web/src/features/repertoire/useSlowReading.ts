import { useCallback, useEffect, useRef, useState } from 'react'
import type { Schemas } from '../../api/client'
import type { Metronome } from '../../sound/metronome'
import { useWanted } from '../../sound/useWanted'
import { plainClick } from '../../sound/plainClick'

/** Runs the click through a piece once and keeps the bars that were marked. */
export function useSlowReading(piece: Schemas['PieceView'], tempo: number, done: (marks: number[]) => void) {
  const click = useRef<Metronome | null>(null)
  const wanted = useWanted()
  const [bar, setBar] = useState<number | null>(null)
  const [marks, setMarks] = useState<number[]>([])
  const latest = useRef({ marks, done })
  useEffect(() => {
    latest.current = { marks, done }
  })
  const beats = piece.beatsPerBar

  const start = useCallback(async () => {
    setMarks([])
    setBar(piece.fromBar - 1)
    const still = wanted.begin()
    const loaded = await import('../../sound/metronome').catch(() => null)
    if (!still()) return
    if (!loaded) return setBar(null)
    click.current?.stop()
    click.current = new loaded.Metronome(plainClick(beats))
    click.current.start(tempo)
  }, [piece.fromBar, beats, tempo, wanted])

  const end = useCallback(() => {
    if (!click.current) return
    click.current.stop()
    click.current = null
    latest.current.done(latest.current.marks)
  }, [])

  const mark = useCallback(() => {
    if (bar === null || bar < piece.fromBar) return
    setMarks((all) => (all.includes(bar) ? all : [...all, bar]))
  }, [bar, piece.fromBar])

  const running = bar !== null
  useEffect(() => {
    if (!running) return
    const timer = setInterval(() => {
      const beat = click.current?.beat()
      if (beat === null || beat === undefined) return
      const now = piece.fromBar + Math.floor(beat / beats)
      if (now > piece.toBar) end()
      else setBar(now)
    }, 60)
    return () => clearInterval(timer)
  }, [running, beats, piece.fromBar, piece.toBar, end])

  useEffect(() => () => click.current?.stop(), [])
  return { bar, marks, start, mark, end }
}
