import { bookQuery } from '../api/book'
import worklet from './samples.worklet.ts?worker&url'

export interface Listening {
  stop: () => void
  /** Says something to the program beside the samples, and again when the way was cut. */
  say: (words: () => object) => void
  /** Seconds of what is heard at a moment of the audio clock; null before anything came. */
  secondsAt: (time: number) => number | null
  /** What was heard so far is over and done: it need not be sent again. */
  done: () => void
  /** Something else is listened for from now on: the path is asked anew, the microphone goes on. */
  anew: () => void
}

export interface Wish {
  /** Where in the program it is listened to, with what is wished. */
  path: (rate: number) => string
  /** Told each answer. */
  heard: (answer: unknown) => void
  /** Told when the program does not answer any more; then it stops. */
  ended: () => void
  /** Told when the way to the program is cut, and when it is there again; where this is left out it is not tried again. */
  away?: (away: boolean) => void
  /** The audio clock that what is heard belongs to; else one of its own. */
  clock?: AudioContext
}

/** Milliseconds between two tries to reach the program again, and how often. */
const againMs = 1000
const mostTries = 60
/** What is kept in case the way is cut: so many blocks, some five minutes. */
const mostKept = 14_000
const blockLength = 1024

/**
 * Sends what a microphone hears to the program, as it comes. When the way is cut, what was not done with yet is kept and sent again.
 * @param stream the microphone, open; it is closed when this stops
 */
export async function listen(stream: MediaStream, wish: Wish): Promise<Listening> {
  const context = wish.clock ?? new AudioContext()
  const close = () => {
    for (const track of stream.getTracks()) track.stop()
    if (!wish.clock) void context.close()
  }
  try {
    await context.audioWorklet.addModule(worklet)
  } catch (error) {
    close()
    throw error
  }
  let over = false
  let socket: WebSocket | null = null
  let tries = 0
  /** Blocks that are not done with; all there were; and how many were before the first one that the program knows. */
  let kept: ArrayBuffer[] = []
  let all = 0
  let gone = 0
  let begun: number | null = null
  let words: (() => object) | null = null

  const open = () => {
    const address = new URL(bookQuery(wish.path(context.sampleRate)), window.location.href)
    address.protocol = address.protocol.replace('http', 'ws')
    const one = new WebSocket(address)
    socket = one
    one.onopen = () => {
      tries = 0
      wish.away?.(false)
      // The program counts from the first block that it is sent.
      gone = all - kept.length
      if (words) one.send(JSON.stringify(words()))
      for (const block of kept) one.send(block)
    }
    one.onmessage = ({ data }: MessageEvent<string>) => !over && wish.heard(JSON.parse(data))
    one.onclose = () => {
      if (over) return
      if (!wish.away || ++tries > mostTries) {
        stop()
        wish.ended()
        return
      }
      wish.away(true)
      window.setTimeout(() => !over && open(), againMs)
    }
  }
  const stop = () => {
    if (over) return
    over = true
    // On a clock that goes on, what is not let go would go on hearing.
    source.disconnect()
    samples.port.postMessage('stop')
    close()
    socket?.close()
  }
  const samples = new AudioWorkletNode(context, 'samples', { numberOfOutputs: 0 })
  samples.port.onmessage = ({ data }: MessageEvent<ArrayBuffer | number>) => {
    if (typeof data === 'number') {
      begun = data
      return
    }
    all++
    if (wish.away) {
      kept.push(data)
      if (kept.length > mostKept) kept.shift()
    }
    if (socket?.readyState === WebSocket.OPEN) socket.send(data)
  }
  const source = context.createMediaStreamSource(stream)
  source.connect(samples)
  open()
  return {
    stop,
    say: (next) => {
      words = next
      if (socket?.readyState === WebSocket.OPEN) socket.send(JSON.stringify(next()))
    },
    secondsAt: (time) => (begun === null ? null : time - begun - (gone * blockLength) / context.sampleRate),
    done: () => {
      kept = []
    },
    anew: () => {
      kept = []
      if (!socket || over) return
      socket.onclose = socket.onmessage = null
      socket.close()
      open()
    },
  }
}
