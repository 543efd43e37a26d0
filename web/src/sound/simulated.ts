import { bookQuery } from '../api/book'
import { loudspeaker, nativeClock, now, output } from './output'

/** How a simulated player plays, where it is listened to instead of a microphone. */
export interface Simulated {
  on: boolean
  sound: 'Reed' | 'Plucked' | 'Struck'
  noisy: boolean
  lateMs: number
  jitterMs: number
  rushMs: number
  cents: number
  wrong: number
  missing: number
}

const place = 'simulated-player'
const usual: Simulated = {
  on: false,
  sound: 'Reed',
  noisy: false,
  lateMs: 0,
  jitterMs: 12,
  rushMs: 0,
  cents: 0,
  wrong: 0,
  missing: 0,
}

/** As it was chosen in this browser. */
export function simulated(): Simulated {
  try {
    return { ...usual, ...(JSON.parse(localStorage.getItem(place) ?? '{}') as Partial<Simulated>) }
  } catch {
    return usual
  }
}

export const chooseSimulated = (next: Simulated) => localStorage.setItem(place, JSON.stringify(next))

let line: MediaStreamAudioDestinationNode | null = null

/** What stands in for a microphone: silent until it plays. */
export function simulatedMicrophone(): MediaStream {
  const clock = nativeClock()
  if (!clock) throw new DOMException('', 'NotSupportedError')
  line ??= clock.createMediaStreamDestination()
  // Its tracks are stopped by whoever listens; the line goes on.
  return new MediaStream(line.stream.getTracks().map((track) => track.clone()))
}

/** Seconds that come before the first beat in what is fetched; a note may be early. */
const before = 1
let seed = 0

/**
 * Plays to whoever listens, and to the loudspeaker.
 * @param what a take of what is at hand on the stage, the notes to tune to, or claps
 * @param secondsTo seconds until its first beat is to sound, asked when it is ready
 * @returns what stops it
 */
export function playSimulated(what: 'take' | 'tuning' | 'claps', secondsTo: () => number): () => void {
  const abort = new AbortController()
  let source: AudioBufferSourceNode | null = null
  const play = async () => {
    const { on, ...how } = simulated()
    if (!on) return
    const wish = new URLSearchParams({ before: String(before), seed: String(++seed) })
    for (const [name, value] of Object.entries(how)) wish.set(name, String(value))
    const answer = await fetch(bookQuery(`/api/simulated/${what}?${wish.toString()}`), {
      signal: abort.signal,
    })
    const clock = nativeClock()
    if (!answer.ok || !clock || !line) return
    const buffer = await clock.decodeAudioData(await answer.arrayBuffer())
    if (abort.signal.aborted) return
    source = clock.createBufferSource()
    source.buffer = buffer
    source.connect(line)
    const heard = (output().rawContext as AudioContext).createBufferSource()
    heard.buffer = buffer
    heard.connect(loudspeaker('music'))
    const at = now() + secondsTo() - before
    const late = Math.max(0, now() - at)
    source.start(Math.max(now(), at), late)
    heard.start(Math.max(now(), at), late)
    abort.signal.addEventListener('abort', () => heard.stop())
  }
  play().catch(() => {
    // Nothing is at hand, or the program is away: who listens says so.
  })
  return () => {
    abort.abort()
    source?.stop()
  }
}
