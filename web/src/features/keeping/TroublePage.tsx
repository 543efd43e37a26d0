import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { keepBook } from '../../api/book'
import { ask, client, type Schemas } from '../../api/client'
import { Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { BackupList } from './BackupList'

const titles: Record<Schemas['TroubleKind'], string> = {
  Damaged: 'Your book cannot be read',
  Unwritable: 'Your book cannot be written',
  Newer: 'Your book is of a later version',
  NoRoom: 'The disk is full',
  Missing: 'Your book is not where it was',
  InUse: 'Another program holds your book',
}

/** The book cannot be used: why, what stays safe, and what can be done. */
export function TroublePage({ trouble, book }: { trouble: Schemas['TroubleView']; book: Schemas['Book'] }) {
  const queries = useQueryClient()
  const { problem, run } = useProblem()
  const [sure, setSure] = useState(false)
  const again = () => queries.resetQueries()
  const restore = async (name: string) => {
    if (await run(() => ask(client.POST('/api/backups/{name}/restore', { params: { path: { name } } }))))
      await again()
  }
  const anew = async () => {
    if (await run(() => ask(client.POST('/api/backups/begin-anew')))) await again()
  }
  const demo = async () => {
    keepBook('Demo')
    await again()
  }
  // A backup can take the place of what is damaged, gone or too new; a full disk or a lock has to be mended first.
  const replaceable = book === 'Own' && ['Damaged', 'Missing', 'Newer'].includes(trouble.kind)
  return (
    <Page title={titles[trouble.kind]}>
      <Text maxW="70ch" fontSize="lead" mb="4">
        {trouble.message}
      </Text>
      <Refusal problem={problem} />
      {replaceable && trouble.offer && (
        <Box mb="5">
          <chakra.h2 fontSize="subheading" mb="1">
            The newest good backup
          </chakra.h2>
          <BackupList
            backups={[trouble.offer]}
            restore={restore}
            now="What is there now is set aside under another name in the same folder; nothing is overwritten."
          />
        </Box>
      )}
      <Flex gap="3" wrap="wrap" align="center">
        <Press look={replaceable && trouble.offer ? undefined : 'strong'} onClick={again}>
          Look again
        </Press>
        {replaceable && !sure && <Press onClick={() => setSure(true)}>Begin an empty book …</Press>}
        {book === 'Own' && (
          <Press look="quiet" onClick={demo}>
            Look at the demo meanwhile
          </Press>
        )}
      </Flex>
      {sure && (
        <Box role="alert" borderLeft="4px solid" borderColor="accent" pl="4" mt="4" maxW="64ch">
          <Text>
            What is there now is set aside under another name in the same folder; nothing is deleted. The new
            book knows nothing of what you have practised.
          </Text>
          <Flex gap="3" mt="2">
            <Press look="strong" onClick={anew}>
              Begin an empty book
            </Press>
            <Press onClick={() => setSure(false)}>Leave it</Press>
          </Flex>
        </Box>
      )}
    </Page>
  )
}
