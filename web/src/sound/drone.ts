import { loudspeaker, now, output } from './output'

/** A steady sound of one or two notes, soft at its edges. */
export class Drone {
  private voices: { source: OscillatorNode; level: GainNode }[] = []

  get running() {
    return this.voices.length > 0
  }

  start(hertz: number[]) {
    this.stop()
    const context = output().rawContext as AudioContext
    const wave = context.createPeriodicWave(
      new Float32Array([0, 0, 0, 0, 0, 0, 0]),
      new Float32Array([0, 1, 0.5, 0.32, 0.18, 0.1, 0.05]),
    )
    this.voices = hertz.map((frequency, i) => {
      const source = context.createOscillator()
      const level = context.createGain()
      source.setPeriodicWave(wave)
      source.frequency.value = frequency
      level.gain.setValueAtTime(0, now())
      level.gain.linearRampToValueAtTime(i === 0 ? 0.16 : 0.1, now() + 0.25)
      source.connect(level).connect(loudspeaker('drone'))
      source.start()
      return { source, level }
    })
  }

  stop() {
    for (const { source, level } of this.voices) {
      level.gain.cancelScheduledValues(now())
      level.gain.setTargetAtTime(0, now(), 0.06)
      source.stop(now() + 0.4)
    }
    this.voices = []
  }
}
