import type { Schemas } from '../api/client'
import { loudspeaker, now, output, wakeEvery } from './output'
import { clickBuffer } from './voices'

/** What it clicks; settings that are left out are the usual ones. */
export interface View {
  cycle: Schemas['ClickCycle']
  settings: Partial<Schemas['SoundSettings']>
}

/** Clicks are put on the audio clock so far ahead; the page may be busy for as long without one being late. */
const aheadSeconds = 1.6
const firstSeconds = 0.12

interface Put {
  at: number
  beat: number
  node: AudioBufferSourceNode
}

/** The click: every one is given its exact time on the audio clock. */
export class Metronome {
  private put: Put[] = []
  private stopWaking: (() => void) | null = null
  private next = 0
  private round = 0
  /** The beat from which the present tempo counts, and its time. */
  private anchor = { beat: 0, at: 0 }
  private bpm = 60
  /** How the beat ran before the present tempo, which holds from its anchor on. */
  private before: { beat: number; at: number; bpm: number } | null = null

  constructor(private view: View) {}

  get running() {
    return this.stopWaking !== null
  }

  get tempo() {
    return this.bpm
  }

  /** Starts, after the bars counted in if there are any, and before them bars that are only seen. */
  start(bpm: number, quietBars = 0) {
    this.stop()
    this.bpm = bpm
    this.before = null
    const countIn = (this.view.settings.countInBars ?? 0) * this.view.cycle.beatsPerBar
    const quiet = quietBars * this.view.cycle.beatsPerBar
    this.anchor = { beat: -countIn - quiet, at: now() + firstSeconds }
    this.next = 0
    this.round = 0
    this.countIn(countIn)
    this.stopWaking = wakeEvery(60, () => this.fill())
    this.fill()
  }

  stop() {
    this.stopWaking?.()
    this.stopWaking = null
    for (const click of this.put) click.node.stop()
    this.put = []
  }

  /** Another tempo, from the next beat that has not been heard yet. */
  setTempo(bpm: number) {
    if (bpm === this.bpm || !this.running) return
    const whole = this.takeBack()
    this.before = { ...this.anchor, bpm: this.bpm }
    this.anchor = { beat: whole, at: this.timeOf(whole) }
    this.bpm = bpm
    this.resume(whole, true)
  }

  /** Other settings: the beat goes on; another cycle begins its bar with the next beat. */
  setView(view: View) {
    const before = JSON.stringify(this.view.cycle)
    const same =
      before === JSON.stringify(view.cycle) &&
      JSON.stringify(this.view.settings) === JSON.stringify(view.settings)
    this.view = view
    if (same) return
    if (!this.running) return
    const whole = this.takeBack()
    const sameCycle = before === JSON.stringify(view.cycle)
    if (!sameCycle) this.anchor = { beat: Math.min(0, whole), at: this.timeOf(whole) }
    this.resume(whole, sameCycle)
  }

  /** Goes on with a beat: in the cycle where it stands, in a new one from its beginning; what is left of the bars counted in stays. */
  private resume(whole: number, sameCycle: boolean) {
    if (whole > 0 && sameCycle) this.seek(whole)
    else {
      this.next = 0
      this.round = 0
      this.countIn(Math.max(0, -whole))
    }
    this.fill()
  }

  /** Takes back the clicks that have not been heard, and says which beat is the next. */
  private takeBack() {
    const from = now() + 0.02
    for (const click of this.put) if (click.at > from) click.node.stop()
    this.put = this.put.filter((click) => click.at <= from)
    return Math.ceil(this.anchor.beat + ((from - this.anchor.at) * this.bpm) / 60 - 1e-6)
  }

  /** The beat that sounds now, counted from the first of the first bar; negative while counting in. */
  beat() {
    if (!this.running) return null
    const { beat, at, bpm } =
      this.before && now() < this.anchor.at ? this.before : { ...this.anchor, bpm: this.bpm }
    return beat + ((now() - at) * bpm) / 60
  }

  /** Seconds until a beat sounds. */
  secondsTo(beat: number) {
    return this.timeOf(beat) - now()
  }

  private timeOf(beat: number) {
    return this.anchor.at + ((beat - this.anchor.beat) * 60) / this.bpm
  }

  private seek(beat: number) {
    const { cycle } = this.view
    this.round = Math.floor(beat / cycle.beats)
    this.next = cycle.clicks.findIndex((click) => this.round * cycle.beats + click.at >= beat - 1e-6)
    if (this.next < 0) {
      this.next = 0
      this.round++
    }
  }

  private countIn(beats: number) {
    for (let beat = -beats; beat < 0; beat++)
      this.sound(beat, beat % this.view.cycle.beatsPerBar === 0 ? 3 : 1)
  }

  private fill() {
    const { cycle } = this.view
    if (cycle.clicks.length === 0) return
    for (;;) {
      const click = cycle.clicks[this.next]!
      const beat = this.round * cycle.beats + click.at
      if (this.timeOf(beat) > now() + aheadSeconds) break
      if (this.next === 0) this.grow(beat)
      this.sound(beat, click.level)
      this.next++
      if (this.next === cycle.clicks.length) {
        this.next = 0
        this.round++
      }
    }
    this.put = this.put.filter((one) => one.at > now() - 1)
  }

  /** Gradual change: so many beats a minute after so many bars, until the tempo it was to reach. */
  private grow(beat: number) {
    const { gainStep = 0, gainBars = 4, gainTo = 120 } = this.view.settings
    const bars = beat / this.view.cycle.beatsPerBar
    if (gainStep === 0 || beat <= 0 || bars % gainBars !== 0) return
    const to = gainStep > 0 ? Math.min(gainTo, this.bpm + gainStep) : Math.max(gainTo, this.bpm + gainStep)
    if (gainStep > 0 ? to <= this.bpm : to >= this.bpm) return
    this.anchor = { beat, at: this.timeOf(beat) }
    this.bpm = to
  }

  /** Puts a click in its place; one whose time is over is left out: late, it would mislead. */
  private sound(beat: number, level: number) {
    const context = output().rawContext as AudioContext
    const at = this.timeOf(beat)
    if (at < context.currentTime) return
    const voice = this.view.settings.voice ?? 'Click'
    const node = context.createBufferSource()
    node.buffer = clickBuffer(context, voice, level)
    node.connect(loudspeaker('click'))
    node.start(at)
    this.put.push({ at, beat, node })
  }
}
