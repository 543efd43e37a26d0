import { Box, Flex, Text, Textarea } from '@chakra-ui/react'
import { useState } from 'react'
import { asBytes } from '../../api/asBytes'
import { ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { FileChoice } from '../../ui/FileChoice'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { useRemoval } from '../../ui/removal'
import { TakeIn, type Wanted } from './TakeIn'

/** Music from a file or typed; what was not taken over is listed. */
export function MusicIn({ piece }: { piece: Schemas['PieceView'] }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const removal = useRemoval()
  const [typing, setTyping] = useState(false)
  const [abc, setAbc] = useState('')
  const [file, setFile] = useState<File | null>(null)
  const path = { id: piece.id }
  const done = async (view: unknown) => {
    if (!view) return
    setTyping(false)
    await saved()
  }
  const keep = async (taken: File, wanted: Wanted) => {
    const query = { ...wanted, name: taken.name }
    const kept = await run(() =>
      ask(client.POST('/api/pieces/{id}/music/file', { params: { path, query }, ...asBytes(taken) })),
    )
    if (kept) setFile(null)
    await done(kept)
  }
  const remove = () =>
    run(() =>
      removal(
        `the music of ${piece.title}`,
        () => ask(client.DELETE('/api/pieces/{id}/music', { params: { path } })),
        () => ask(client.POST('/api/pieces/{id}/music/back', { params: { path } })),
      ),
    )
  const type = async () =>
    done(await run(() => ask(client.PUT('/api/pieces/{id}/music', { params: { path }, body: { abc } }))))
  return (
    <Box as="section" aria-label="Where the music comes from" mt="4">
      <Flex gap="4" align="center" wrap="wrap">
        <FileChoice label="Music file" accept=".musicxml,.xml,.mxl,.abc,.mid,.midi" take={setFile}>
          {piece.hasMusic ? 'Another file' : 'Take the music from a file (MusicXML, ABC, MIDI)'}
        </FileChoice>
        {piece.hasMusic && (
          <Press look="quiet" onClick={remove}>
            Remove the music
          </Press>
        )}
        <Press look="quiet" onClick={() => setTyping(!typing)}>
          {typing ? 'not typed after all' : 'type it in ABC'}
        </Press>
      </Flex>
      {typing && (
        <>
          <Textarea
            aria-label="Music in ABC"
            rows={6}
            fontFamily="ui-monospace, monospace"
            spellCheck={false}
            value={abc}
            placeholder={'M:3/4\nL:1/8\nK:F\nF2 GA Bc | d6 |]'}
            onChange={(event) => setAbc(event.target.value)}
          />
          <Press mt="2" onClick={() => type()}>
            Keep the music
          </Press>
        </>
      )}
      {file && (
        <TakeIn
          key={`${file.name} ${file.lastModified}`}
          pieceId={piece.id}
          file={file}
          keep={(wanted) => void keep(file, wanted)}
          leave={() => setFile(null)}
        />
      )}
      <Refusal problem={problem} />
      {piece.leftOut.length > 0 && (
        <Text color="faded" fontSize="0.92em" mt="1">
          Not taken over, or to be known: {piece.leftOut.join('; ')}.
        </Text>
      )}
    </Box>
  )
}
