import { useCallback, useEffect, useRef, useState } from 'react'
import type { Schemas } from '../../api/client'
import { now, output } from '../../sound/output'
import { LevelWatch, type LevelWord } from './level'
import { close, microphoneWords, openMicrophone } from './microphone'
import { Recorder } from './recorder'

type Wish = ConstructorParameters<typeof Recorder>[1]

const lookMs = 100

/** The microphone, and the recording under way: asked for at first use, off as soon as it ends. */
export function useRecorder() {
  const [state, setState] = useState<'off' | 'asking' | 'on' | 'keeping'>('off')
  const [word, setWord] = useState('')
  const [level, setLevel] = useState<LevelWord>('')
  const [away, setAway] = useState(false)
  const [kept, setKept] = useState<Schemas['RecordingView'] | null>(null)
  const recorder = useRef<Recorder | null>(null)
  const unwatch = useRef(() => {})
  const timer = useRef(0)
  const left = useRef(false)

  const ended = useCallback(() => {
    recorder.current = null
    unwatch.current()
    window.clearTimeout(timer.current)
    setLevel('')
    setAway(false)
  }, [])
  // What was recorded is sent to its end, also when the page that asked for it is left.
  useEffect(() => {
    left.current = false
    return () => {
      left.current = true
      recorder.current?.stop()
      unwatch.current()
      window.clearTimeout(timer.current)
    }
  }, [])

  /** Records; with seconds it ends by itself. Answers whether it runs. */
  const start = useCallback(
    async (wish: Wish) => {
      setState('asking')
      setWord('')
      setKept(null)
      let stream: MediaStream
      try {
        stream = await openMicrophone()
      } catch (error) {
        setState('off')
        setWord(microphoneWords(error))
        return false
      }
      // Allowed only after the page was left: nobody wants it any more.
      if (left.current) {
        close(stream)
        return false
      }
      recorder.current = new Recorder(stream, wish, {
        away: setAway,
        kept: (recording) => {
          ended()
          setKept(recording)
          setState('off')
        },
        failed: (why) => {
          ended()
          setWord(why)
          setState('off')
        },
        gone: () => setWord('The microphone is gone. What came until then is kept.'),
      })
      unwatch.current = watch(stream, setLevel)
      setState('on')
      return true
    },
    [ended],
  )
  const stop = useCallback((clean: boolean | null = null) => {
    if (!recorder.current) return
    recorder.current.stop(clean)
    unwatch.current()
    window.clearTimeout(timer.current)
    setState('keeping')
  }, [])
  const stopIn = useCallback(
    (seconds: number) => {
      window.clearTimeout(timer.current)
      timer.current = window.setTimeout(() => stop(), seconds * 1000)
    },
    [stop],
  )
  const length = useCallback(() => recorder.current?.length ?? 0, [])
  const keep = useCallback((recording: Schemas['RecordingView']) => setKept(recording), [])
  const forget = useCallback(() => setKept(null), [])
  const dismiss = useCallback(() => setWord(''), [])
  return { state, word, level, away, kept, start, stop, stopIn, length, keep, forget, dismiss }
}

export type Recording = ReturnType<typeof useRecorder>

/** Looks at the peaks of what comes in, until it is ended. */
function watch(stream: MediaStream, tell: (word: LevelWord) => void) {
  const context = output().rawContext as AudioContext
  const source = context.createMediaStreamSource(stream)
  const meter = context.createAnalyser()
  meter.fftSize = 8192
  source.connect(meter)
  const samples = new Float32Array(meter.fftSize)
  const judge = new LevelWatch(now() * 1000)
  const look = window.setInterval(() => {
    meter.getFloatTimeDomainData(samples)
    let peak = 0
    for (const sample of samples) peak = Math.max(peak, Math.abs(sample))
    tell(judge.add(peak, now() * 1000))
  }, lookMs)
  return () => {
    window.clearInterval(look)
    source.disconnect()
  }
}
