// From its parts: the package's front door makes a context of its own with a worker that the page's policy forbids.
import { Context } from 'tone/build/esm/core/context/Context'
import { loudness, onLoudness, type Sounding } from './loudness'
import { setContext } from 'tone/build/esm/core/Global'

let shared: Context | null = null

/**
 * The one audio context of the page, with Tone.js on top. Tone's own clock stays off: everything here is given its exact
 * time on the audio clock, and a worker wakes the page to do so in good time.
 */
export function output(): Context {
  if (!shared) {
    shared = new Context({ clockSource: 'timeout', lookAhead: 0, updateInterval: 1 })
    setContext(shared)
  }
  if (shared.state === 'suspended') void shared.resume()
  return shared
}

/** Whether what is asked for sounds: suspended while the browser waits for a gesture; null before anything was asked for. */
export const soundState = () => shared?.state ?? null

const ways = new Map<Sounding | 'all', GainNode>()

/** Where a kind of sound goes, as loud as it is wanted, and on to where everything goes: as loud as was chosen in this browser. */
export function loudspeaker(kind: Sounding): AudioNode {
  const context = output().rawContext as AudioContext
  const wayOf = (whose: Sounding | 'all', on: AudioNode) => {
    const known = ways.get(whose)
    if (known) return known
    const way = context.createGain()
    way.gain.value = loudness(whose)
    way.connect(on)
    ways.set(whose, way)
    return way
  }
  onLoudness((whose, part) => ways.get(whose)?.gain.setTargetAtTime(part, now(), 0.02))
  return wayOf(kind, wayOf('all', context.destination))
}

/** Seconds on the audio clock. */
export const now = () => output().rawContext.currentTime

/** Calls back every so many milliseconds, also while the page is in the background. */
export function wakeEvery(milliseconds: number, call: () => void): () => void {
  const worker = new Worker(new URL('./wake.worker.ts', import.meta.url), { type: 'module' })
  worker.onmessage = call
  worker.postMessage(milliseconds)
  return () => worker.terminate()
}

/** The browser's own audio context under that of the page: what is heard by a microphone is counted by the same clock. */
export function nativeClock(): AudioContext | undefined {
  const { _nativeContext: own } = output().rawContext as unknown as { _nativeContext?: AudioContext }
  return own?.audioWorklet ? own : undefined
}
