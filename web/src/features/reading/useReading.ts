import { useCallback, useEffect, useRef, useState } from 'react'
import type { Metronome } from '../../sound/metronome'
import { plainClick } from '../../sound/plainClick'
import type { Played } from '../../sound/piano'
import { useWanted } from '../../sound/useWanted'

/** Beats after the last bar line in which what came late is still heard. */
const lateBeats = 0.3

/** The piano with its samples there: what it plays begins on time. */
const withPiano = async () => {
  const piano = await import('../../sound/piano')
  await piano.ready()
  return piano
}

/** Runs the click through unseen music once: it counts in, goes, and does not stop; a second voice plays along and waits for nobody. */
export function useReading(beatsPerBar: number, bars: number, done: () => void) {
  const click = useRef<Metronome | null>(null)
  const second = useRef<{ stop: () => void } | null>(null)
  /** The second voice could not be loaded: the click runs alone. */
  const [alone, setAlone] = useState(false)
  const wanted = useWanted()
  /** The bar that sounds, from 1; 0 while it is counted in; null before. */
  const [bar, setBar] = useState<number | null>(null)
  const [failed, setFailed] = useState(false)
  const latest = useRef(done)
  useEffect(() => {
    latest.current = done
  })

  const start = useCallback(
    async (tempo: number, voice: Played[] = [], a4Hertz = 440) => {
      setBar(0)
      setFailed(false)
      setAlone(false)
      const still = wanted.begin()
      const [loaded, piano] = await Promise.all([
        import('../../sound/metronome').catch(() => null),
        voice.length > 0 ? withPiano().catch(() => null) : null,
      ])
      if (!still()) return
      setAlone(voice.length > 0 && !piano)
      if (!loaded) {
        setFailed(true)
        return setBar(null)
      }
      click.current?.stop()
      click.current = new loaded.Metronome(plainClick(beatsPerBar))
      click.current.start(tempo)
      const played = await piano?.play(voice, tempo, a4Hertz, click.current.secondsTo(0))
      if (!still()) return played?.stop()
      second.current = played ?? null
    },
    [beatsPerBar, wanted],
  )

  const stop = useCallback(() => {
    wanted.end()
    click.current?.stop()
    click.current = null
    second.current?.stop()
    second.current = null
    setBar(null)
  }, [wanted])

  const running = bar !== null
  useEffect(() => {
    if (!running) return
    const timer = setInterval(() => {
      const beat = click.current?.beat()
      if (beat === null || beat === undefined) return
      const now = Math.max(0, Math.floor(beat / beatsPerBar) + 1)
      // What is played last may come a little late.
      if (beat > bars * beatsPerBar + lateBeats) {
        stop()
        latest.current()
      } else setBar(Math.min(now, bars))
    }, 20)
    return () => clearInterval(timer)
  }, [running, beatsPerBar, bars, stop])

  useEffect(() => stop, [stop])
  /** The beat that sounds now, from the first bar line. */
  const beat = useCallback(() => click.current?.beat() ?? null, [])
  return { bar, failed, alone, start, stop, beat }
}
