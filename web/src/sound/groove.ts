import type { Schemas } from '../api/client'
import { loudspeaker, now, output, wakeEvery } from './output'
import { clickBuffer, strokeBuffer } from './voices'

type Groove = Schemas['Groove']

const aheadSeconds = 0.6

/** Plays a groove round and round on the audio clock; with a bar of one's own, every fourth bar is only the click. */
export class GrooveLoop {
  private put: { at: number; node: AudioBufferSourceNode }[] = []
  private stopWaking: (() => void) | null = null
  private start0 = 0
  private next = 0

  constructor(
    private readonly groove: Groove,
    private readonly bpm: number,
    private readonly ownBar = false,
  ) {}

  private get places() {
    return this.groove.lines[0]?.strokes.length ?? 0
  }

  private get seconds() {
    return 60 / this.bpm / this.groove.placesPerBeat
  }

  start() {
    this.stop()
    this.start0 = now() + 0.15
    this.next = 0
    this.stopWaking = wakeEvery(60, () => this.fill())
    this.fill()
  }

  stop() {
    this.stopWaking?.()
    this.stopWaking = null
    for (const { node } of this.put) node.stop()
    this.put = []
  }

  /** The place that sounds now, counted through the groove; null while it is still. */
  place() {
    if (!this.stopWaking) return null
    const at = Math.floor((now() - this.start0) / this.seconds)
    return at < 0 ? null : at % this.places
  }

  private fill() {
    const bar = this.groove.beatsPerBar * this.groove.placesPerBeat
    for (; this.start0 + this.next * this.seconds < now() + aheadSeconds; this.next++) {
      const at = this.start0 + this.next * this.seconds
      const mine = this.ownBar && Math.floor(this.next / bar) % 4 === 3
      if (mine) {
        if (this.next % this.groove.placesPerBeat === 0)
          this.sound(at, (context) => clickBuffer(context, 'Click', this.next % bar === 0 ? 3 : 1))
        continue
      }
      this.groove.lines.forEach((line, i) => {
        const stroke = line.strokes[this.next % this.places] ?? 'None'
        if (stroke !== 'None')
          this.sound(at, (context) => strokeBuffer(context, i, this.groove.lines.length, stroke))
      })
    }
    this.put = this.put.filter((one) => one.at > now() - 1)
  }

  private sound(at: number, make: (context: AudioContext) => AudioBuffer) {
    const context = output().rawContext as AudioContext
    const node = context.createBufferSource()
    node.buffer = make(context)
    node.connect(loudspeaker('music'))
    node.start(Math.max(at, context.currentTime))
    this.put.push({ at, node })
  }
}
