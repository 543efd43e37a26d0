import { Box } from '@chakra-ui/react'
import { ask, client, type Schemas } from '../../api/client'
import { asBytes } from '../../api/asBytes'
import { useSaved } from '../../api/saved'
import { FileChoice } from '../../ui/FileChoice'
import { Refusal, useProblem } from '../../ui/refusal'

interface Props {
  kind: Schemas['RecordingKind']
  /** What it is a recording of; null for nothing with a name. */
  materialId: number | null
  children: React.ReactNode
}

const longestName = 200

/** Takes a file of sound, or a film, from this machine. */
export function AddFile({ kind, materialId, children }: Props) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const add = async (file: File) => {
    const seconds = await secondsOf(file)
    const query = {
      key: crypto.randomUUID(),
      kind,
      name: file.name.replace(/\.[a-z0-9]{2,4}$/i, '').slice(0, longestName),
      seconds,
      ...(materialId === null ? {} : { materialId }),
    }
    const made = await run(() =>
      ask(client.POST('/api/recordings/file', { params: { query }, ...asBytes(file) })),
    )
    if (made) await saved()
  }
  return (
    <Box>
      <FileChoice
        label={kind === 'Song' ? 'Song file' : 'Recording file'}
        accept="audio/*,video/*,.flac,.mka,.mkv"
        take={(file) => void add(file)}
      >
        {children}
      </FileChoice>
      <Refusal problem={problem} />
    </Box>
  )
}

/** How long it is, as far as this browser can tell; 0 where it cannot play it. */
function secondsOf(file: File) {
  const address = URL.createObjectURL(file)
  return new Promise<number>((tell) => {
    const media = document.createElement('video')
    media.preload = 'metadata'
    const done = (seconds: number) => {
      URL.revokeObjectURL(address)
      tell(Number.isFinite(seconds) ? Math.round(seconds * 10) / 10 : 0)
    }
    media.onloadedmetadata = () => done(media.duration)
    media.onerror = () => done(0)
    media.src = address
  })
}
