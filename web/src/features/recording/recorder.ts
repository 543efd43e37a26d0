import { asBytes } from '../../api/asBytes'
import { ask, client, Problem, type Schemas } from '../../api/client'

type Wish = Omit<Schemas['RecordingWish'], 'key' | 'contentType'>

interface Listener {
  /** Whether the program answers; while it does not, what was recorded waits here. */
  away: (away: boolean) => void
  /** It is kept as a whole. */
  kept: (recording: Schemas['RecordingView']) => void
  /** It could not be kept, and why. */
  failed: (why: string) => void
  /** The microphone is gone; what came until then is kept. */
  gone: () => void
}

const pieceMs = 1000
const againMs = 700
const bitsASecond = 128_000

/** As the browser gives it: Opus in WebM nearly everywhere, AAC in MP4 on some tablets. */
const kinds = ['audio/webm;codecs=opus', 'audio/mp4', 'audio/ogg;codecs=opus']

/**
 * Records a take and sends it in pieces of a second, each until it has arrived: a server that is killed has all but the last second, and
 * a network that stalls loses nothing.
 */
export class Recorder {
  private readonly key = crypto.randomUUID()
  private readonly media: MediaRecorder
  private readonly pieces: Blob[] = []
  private began = performance.now()
  private id: number | null = null
  private sent = 0
  private busy = false
  private seconds = 0
  private over = false
  private clean: boolean | null = null

  constructor(
    private readonly stream: MediaStream,
    private readonly wish: Wish,
    private readonly listener: Listener,
  ) {
    const kind = kinds.find((one) => MediaRecorder.isTypeSupported(one))
    this.media = new MediaRecorder(stream, { mimeType: kind, audioBitsPerSecond: bitsASecond })
    this.media.ondataavailable = ({ data }) => {
      if (data.size === 0) return
      this.pieces.push(data)
      void this.send()
    }
    this.media.onstart = () => {
      this.began = performance.now()
    }
    this.media.onstop = () => {
      this.over = true
      for (const track of this.stream.getTracks()) track.stop()
      void this.send()
    }
    for (const track of stream.getAudioTracks())
      track.onended = () => {
        this.listener.gone()
        this.stop()
      }
    this.media.start(pieceMs)
  }

  /** Seconds that have been recorded. */
  get length() {
    return this.over || this.seconds > 0 ? this.seconds : (performance.now() - this.began) / 1000
  }

  /** Ends it; how the take was marked belongs to it. */
  stop(clean: boolean | null = null) {
    this.clean ??= clean
    if (this.media.state === 'inactive') return
    this.seconds = (performance.now() - this.began) / 1000
    this.media.stop()
  }

  private async send() {
    if (this.busy) return
    this.busy = true
    while (this.pieces.length > 0 || this.over) {
      try {
        if (await this.sendNext()) break
        this.listener.away(false)
      } catch (error) {
        if (!(error instanceof Problem)) throw error
        if (error.status > 0 && error.status < 500) {
          this.listener.failed(error.message)
          this.stop()
          break
        }
        this.listener.away(true)
        await new Promise((next) => setTimeout(next, againMs))
      }
    }
    this.busy = false
  }

  /** Sends what comes next; true when that was the end. */
  private async sendNext() {
    if (this.id === null) {
      const body = { ...this.wish, key: this.key, contentType: this.media.mimeType }
      const begun = await ask(client.POST('/api/recordings', { body }))
      this.id = begun.id
    }
    const path = { id: this.id }
    const [piece] = this.pieces
    if (piece) {
      const { bytes } = await ask(
        client.POST('/api/recordings/{id}/sound', {
          params: { path, query: { at: this.sent, seconds: Math.round(this.length * 100) / 100 } },
          ...asBytes(piece),
        }),
      )
      this.sent = bytes
      this.pieces.shift()
      return false
    }
    const body = { seconds: this.seconds, clean: this.clean }
    this.listener.kept(await ask(client.POST('/api/recordings/{id}/end', { params: { path }, body })))
    return true
  }
}
