import { Box, Text, chakra } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useNavigate } from 'react-router'
import { keepBook } from '../../api/book'
import { api } from '../../api/client'
import { Outline } from '../../ui/Outline'
import { Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { ArchiveIn } from './ArchiveIn'
import { SecondFolder } from './SecondFolder'
import { useRestore } from './useRestore'

/** On a new machine: the book that there is already, from a stick or from one file. */
export function BringPage() {
  const queries = useQueryClient()
  const navigate = useNavigate()
  const backups = api.useQuery('get', '/api/backups')
  const { problem, run } = useProblem()
  const restore = useRestore(run)
  if (!backups.data) return <Outline />
  const goOn = async () => {
    keepBook('Own')
    await queries.resetQueries()
    await navigate('/')
  }
  return (
    <Page
      title="Bring your book"
      aside={
        <Press look="quiet" onClick={() => navigate('/welcome')}>
          Begin an empty one
        </Press>
      }
    >
      <Refusal problem={problem} />
      <Box as="section" aria-label="From backups" mb="6">
        <chakra.h2 fontSize="heading" mb="1">
          From backups
        </chakra.h2>
        <Text maxW="64ch" mb="2">
          The folder into which the other machine copied its backups: plug the stick or disk in and write
          where it is.
        </Text>
        <SecondFolder
          second={backups.data.second}
          changed={() => backups.refetch()}
          restore={async (name) => (await restore(name, true)) && goOn()}
          now="It becomes your book on this machine."
          isOpen
        />
      </Box>
      <Box as="section" aria-label="From one file" borderTop="1px solid" borderColor="line" pt="4">
        <chakra.h2 fontSize="heading" mb="1">
          From one file
        </chakra.h2>
        <Text maxW="64ch">The file that was written on the page of the backups there.</Text>
        <ArchiveIn done={goOn} />
      </Box>
    </Page>
  )
}
