import { loudspeaker, now, output } from './output'
import { clickBuffer } from './voices'

const soonSeconds = 0.06

/** Clicks so many beats, the first the strongest; answers seconds until what is counted in begins. */
export function countIn(beats: number, bpm: number) {
  const context = output().rawContext as AudioContext
  const begin = now() + soonSeconds
  for (let beat = 0; beat < beats; beat++) {
    const source = context.createBufferSource()
    source.buffer = clickBuffer(context, 'Click', beat === 0 ? 3 : 1)
    source.connect(loudspeaker('click'))
    source.start(begin + (beat * 60) / bpm)
  }
  return beats === 0 ? 0 : soonSeconds + (beats * 60) / bpm
}
