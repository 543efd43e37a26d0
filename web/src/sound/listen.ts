import { bookQuery } from '../api/book'
import worklet from './samples.worklet.ts?worker&url'

export interface Listening {
  stop: () => void
}

/**
 * Sends what a microphone hears to the program, as it comes, and tells what is answered.
 * @param stream the microphone, open; it is closed when this stops
 * @param path where in the program it is listened to, with what is wished
 * @param heard told each answer
 * @param ended told when the program does not answer any more
 */
export async function listen(
  stream: MediaStream,
  path: (rate: number) => string,
  heard: (answer: unknown) => void,
  ended: () => void,
): Promise<Listening> {
  const context = new AudioContext()
  try {
    await context.audioWorklet.addModule(worklet)
  } catch (error) {
    for (const track of stream.getTracks()) track.stop()
    void context.close()
    throw error
  }
  const address = new URL(bookQuery(path(context.sampleRate)), window.location.href)
  address.protocol = address.protocol.replace('http', 'ws')
  const socket = new WebSocket(address)
  let over = false
  const stop = () => {
    if (over) return
    over = true
    for (const track of stream.getTracks()) track.stop()
    socket.close()
    void context.close()
  }
  socket.onmessage = ({ data }: MessageEvent<string>) => !over && heard(JSON.parse(data))
  socket.onclose = () => {
    if (over) return
    stop()
    ended()
  }
  const samples = new AudioWorkletNode(context, 'samples', { numberOfOutputs: 0 })
  samples.port.onmessage = ({ data }: MessageEvent<ArrayBuffer>) => {
    if (socket.readyState === WebSocket.OPEN) socket.send(data)
  }
  context.createMediaStreamSource(stream).connect(samples)
  return { stop }
}
