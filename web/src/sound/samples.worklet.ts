/** Gives samples on in blocks, as whole numbers of 16 bits, from the thread that has to be in time; before the first one, when it began. */
const blockLength = 1024

declare const currentTime: number
declare class AudioWorkletProcessor {
  readonly port: MessagePort
}
declare function registerProcessor(name: string, processor: unknown): void

class Samples extends AudioWorkletProcessor {
  private block = new Int16Array(blockLength)
  private filled = 0
  private begun = false
  private stopped = false

  constructor() {
    super()
    this.port.onmessage = () => (this.stopped = true)
  }

  process([input]: Float32Array[][]) {
    if (!this.begun && input?.[0]) {
      this.begun = true
      this.port.postMessage(currentTime)
    }
    for (const sample of input?.[0] ?? []) {
      this.block[this.filled++] = Math.round(Math.max(-1, Math.min(1, sample)) * 32767)
      if (this.filled < blockLength) continue
      this.port.postMessage(this.block.buffer, [this.block.buffer])
      this.block = new Int16Array(blockLength)
      this.filled = 0
    }
    return !this.stopped
  }
}

registerProcessor('samples', Samples)
