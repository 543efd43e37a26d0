import { useCallback, useEffect, useRef, useState } from 'react'
import { ask, client, type Schemas } from '../../api/client'
import { loudness } from '../../sound/loudness'
import { countIn as clickIn } from '../../sound/countIn'

type Song = Schemas['RecordingView']

export const slowest = 50
const tellEveryMs = 10_000
/** Beats counted in where no tempo is known: one a second. */
const usualTempo = 60

export interface Looping {
  loop: readonly [number, number] | null
  speed: number
  countIn: number
  /** At full speed; null where it is not known. */
  tempo: number | null
}

/** Plays a song, or a stretch of it round and round, slower at the same pitch; rounds and minutes are kept. */
export function useLooper(song: Song) {
  const media = useRef<HTMLVideoElement>(null)
  const [wish, setWish] = useState<Looping>(() => ({
    loop: song.loop.from !== null && song.loop.to !== null ? [song.loop.from, song.loop.to] : null,
    speed: song.loop.speed,
    countIn: song.loop.countIn,
    tempo: song.tempo,
  }))
  const [playing, setPlaying] = useState(false)
  const [counting, setCounting] = useState(false)
  const [rounds, setRounds] = useState(song.loop.rounds)
  const since = useRef({ rounds: 0, seconds: 0, at: 0 })
  const latest = useRef(wish)
  const counted = useRef(0)
  useEffect(() => {
    latest.current = wish
  })

  const tell = useCallback(async () => {
    const { rounds, seconds } = since.current
    since.current.rounds = 0
    since.current.seconds = 0
    const { loop, speed, countIn, tempo } = latest.current
    const body = {
      tempo,
      from: loop?.[0] ?? null,
      to: loop?.[1] ?? null,
      speed,
      countIn,
      rounds,
      playedSeconds: Math.round(seconds * 10) / 10,
    }
    try {
      await ask(client.PUT('/api/recordings/{id}/loop', { params: { path: { id: song.id } }, body }))
    } catch {
      // Told again with the next: nothing that was played is forgotten.
      since.current.rounds += rounds
      since.current.seconds += seconds
    }
  }, [song.id])

  // What is chosen is kept a moment after the last change.
  const isFirst = useRef(true)
  useEffect(() => {
    if (isFirst.current) {
      isFirst.current = false
      return
    }
    const timer = window.setTimeout(() => void tell(), 800)
    return () => window.clearTimeout(timer)
  }, [wish, tell])
  useEffect(() => {
    if (!playing) return
    const timer = window.setInterval(() => void tell(), tellEveryMs)
    return () => {
      window.clearInterval(timer)
      void tell()
    }
  }, [playing, tell])

  useEffect(() => {
    if (!media.current) return
    media.current.preservesPitch = true
    media.current.playbackRate = wish.speed / 100
    media.current.volume = loudness('music') * loudness()
  }, [wish.speed])

  // Back to A at B, and a round more.
  useEffect(() => {
    if (!playing) return
    let frame = 0
    since.current.at = performance.now()
    const look = () => {
      const element = media.current
      const { loop } = latest.current
      const at = performance.now()
      since.current.seconds += (at - since.current.at) / 1000
      since.current.at = at
      if (element && loop && element.currentTime >= loop[1]) {
        element.currentTime = loop[0]
        since.current.rounds++
        setRounds((before) => before + 1)
      }
      frame = requestAnimationFrame(look)
    }
    frame = requestAnimationFrame(look)
    return () => cancelAnimationFrame(frame)
  }, [playing])

  const pause = useCallback(() => {
    window.clearTimeout(counted.current)
    setCounting(false)
    media.current?.pause()
  }, [])
  const play = useCallback(() => {
    const element = media.current
    if (!element) return
    const { loop, countIn, speed, tempo } = latest.current
    if (loop && (element.currentTime < loop[0] || element.currentTime >= loop[1]))
      element.currentTime = loop[0]
    const seconds = clickIn(countIn, ((tempo ?? usualTempo) * speed) / 100)
    setCounting(countIn > 0)
    counted.current = window.setTimeout(() => {
      setCounting(false)
      void element.play()
    }, seconds * 1000)
  }, [])
  const go = useCallback((seconds: number) => {
    if (media.current) media.current.currentTime = seconds
  }, [])
  const on = {
    onPlay: () => setPlaying(true),
    onPause: () => setPlaying(false),
    onEnded: () => {
      setPlaying(false)
      since.current.rounds++
      setRounds((before) => before + 1)
      void tell()
    },
  }
  const change = (next: Partial<Looping>) => setWish((before) => ({ ...before, ...next }))
  return { media, wish, change, playing: playing || counting, counting, rounds, play, pause, go, on }
}
