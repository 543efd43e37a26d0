import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { asBytes } from '../../api/asBytes'
import { ask, client, type Schemas } from '../../api/client'
import { FileChoice } from '../../ui/FileChoice'
import { FileLook } from '../../ui/FileLook'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'

/** A book that was written to one file is looked at, then taken in; nothing happens before the yes. */
export function ArchiveIn({ done }: { done: () => Promise<unknown> }) {
  const [file, setFile] = useState<File>()
  const [look, setLook] = useState<Schemas['ArchiveLook']>()
  const [over, setOver] = useState(false)
  const { problem, run } = useProblem()
  const choose = async (chosen: File) => {
    setLook(undefined)
    setOver(false)
    setFile(chosen)
    await run(async () => setLook(await ask(client.POST('/api/archive/look', asBytes(chosen)))))
  }
  const take = async () => {
    if (!file) return
    const taken = await run(() => ask(client.POST('/api/archive', asBytes(file))))
    if (!taken) return
    setLook(taken)
    setOver(true)
    await done()
  }
  return (
    <Box>
      <FileChoice label="A book as one file" accept=".zip" take={(chosen) => void choose(chosen)}>
        Read a book in from a file
      </FileChoice>
      <Refusal problem={problem} />
      {file && look && (
        <FileLook label="What it would bring" file={file}>
          <Text mb="2">{over ? 'It is in your book now.' : look.what}</Text>
          <Lines lines={look.lines} isWhole={look.isWhole} />
          {!over && (
            <Flex gap="3" mt="3" wrap="wrap">
              {look.lines.some((line) => line.added > 0) && (
                <Press look="strong" onClick={take}>
                  {look.isWhole ? 'Make it my book' : 'Add it to my book'}
                </Press>
              )}
              <Press onClick={() => setFile(undefined)}>Leave it</Press>
            </Flex>
          )}
        </FileLook>
      )}
    </Box>
  )
}

function Lines({ lines, isWhole }: { lines: Schemas['ArchiveLine'][]; isWhole: boolean }) {
  return (
    <chakra.table fontVariantNumeric="tabular-nums">
      <thead>
        <tr>
          <chakra.th textAlign="left" fontWeight={400} color="faded" pr="6" />
          <chakra.th textAlign="right" fontWeight={400} color="faded" pr="6">
            {isWhole ? 'in it' : 'new'}
          </chakra.th>
          {!isWhole && (
            <chakra.th textAlign="right" fontWeight={400} color="faded">
              there already
            </chakra.th>
          )}
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={line.name}>
            <chakra.td pr="6">{line.name}</chakra.td>
            <chakra.td textAlign="right" pr="6">
              {line.added.toLocaleString('en')}
            </chakra.td>
            {!isWhole && <chakra.td textAlign="right">{line.known.toLocaleString('en')}</chakra.td>}
          </tr>
        ))}
      </tbody>
    </chakra.table>
  )
}
