import { loudspeaker, now, output } from '../../sound/output'

const fadeSeconds = 0.03
const soon = 0.02

export interface Lane {
  buffer: AudioBuffer
  /** What was played, in seconds of the recording. */
  from: number
  to: number
  /** By what it is multiplied so that both are equally loud. */
  gain: number
}

/** Parts of what was played, 0 to 1: the same place in both, whatever their tempi. */
export type Part = readonly [from: number, to: number]

/** Two recordings of the same music: one is heard, at any moment the other from the same place on; the same stretch loops in both. */
export class SideBySide {
  private playing: {
    lane: number
    source: AudioBufferSourceNode
    gain: GainNode
    at: number
    offset: number
  } | null = null
  private loop: Part | null = null

  constructor(
    private readonly lanes: readonly [Lane, Lane],
    private readonly ended: () => void,
  ) {}

  get lane() {
    return this.playing?.lane ?? null
  }

  /** Plays one of them from a place on. */
  play(lane: number, from = this.loop?.[0] ?? 0) {
    this.fade()
    const context = output().rawContext as AudioContext
    const { buffer, gain } = this.lanes[lane]!
    const source = context.createBufferSource()
    source.buffer = buffer
    const way = context.createGain()
    const at = now() + soon
    way.gain.setValueAtTime(0, at)
    way.gain.linearRampToValueAtTime(gain, at + fadeSeconds)
    source.connect(way)
    way.connect(loudspeaker('music'))
    this.setLoopOf(source, lane)
    const offset = this.seconds(lane, from)
    source.start(at, offset)
    const playing = { lane, source, gain: way, at, offset }
    this.playing = playing
    source.onended = () => {
      if (this.playing !== playing) return
      this.playing = null
      this.ended()
    }
  }

  /** The other one, from the same place on. */
  switch() {
    const place = this.place()
    if (this.playing && place !== null) this.play(1 - this.playing.lane, place)
  }

  /** Another stretch, at once; null for all of it. */
  setLoop(loop: Part | null) {
    this.loop = loop
    const place = this.place()
    if (!this.playing || place === null) return
    const isInside = !loop || (place >= loop[0] && place < loop[1])
    this.play(this.playing.lane, isInside ? place : loop[0])
  }

  stop() {
    this.fade()
    this.playing = null
  }

  /** Where it is, as a part of what was played; null while nothing sounds. */
  place() {
    if (!this.playing) return null
    const { lane, at, offset } = this.playing
    let seconds = offset + Math.max(0, now() - at)
    if (this.loop) {
      const [begin, end] = this.loop.map((part) => this.seconds(lane, part)) as [number, number]
      if (seconds >= end) seconds = begin + ((seconds - begin) % (end - begin))
    }
    const { from, to } = this.lanes[lane]!
    return Math.min(1, Math.max(0, (seconds - from) / (to - from)))
  }

  private seconds(lane: number, part: number) {
    const { from, to } = this.lanes[lane]!
    return from + part * (to - from)
  }

  private setLoopOf(source: AudioBufferSourceNode, lane: number) {
    source.loop = this.loop !== null
    if (!this.loop) return
    source.loopStart = this.seconds(lane, this.loop[0])
    source.loopEnd = this.seconds(lane, this.loop[1])
  }

  private fade() {
    if (!this.playing) return
    const { source, gain } = this.playing
    const at = now() + soon
    gain.gain.cancelScheduledValues(at)
    gain.gain.setValueAtTime(gain.gain.value, at)
    gain.gain.linearRampToValueAtTime(0, at + fadeSeconds)
    source.stop(at + fadeSeconds)
  }
}
