import { Text } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { api, ask, client } from '../../api/client'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { BackupList } from './BackupList'

/** The backups of one's own book, and the way back to one of them. */
export function BackupsPage() {
  const queries = useQueryClient()
  const backups = api.useQuery('get', '/api/backups')
  const { problem, run } = useProblem()
  if (!backups.data) return <Outline />
  const make = async () => {
    await run(() => ask(client.POST('/api/backups')))
    await backups.refetch()
  }
  const restore = async (name: string) => {
    const done = await run(() =>
      ask(client.POST('/api/backups/{name}/restore', { params: { path: { name } } })),
    )
    if (done) await queries.resetQueries()
  }
  return (
    <Page
      title="Backups"
      aside={
        <Press look="strong" onClick={make}>
          Make one now
        </Press>
      }
    >
      <Text maxW="72ch" mb="4" color="faded">
        Each day on which you practise, your own book is copied as a whole, pages and music with it, and the
        copy is checked. The newest {backups.data.kept} days stay, in {backups.data.folder}; keep a copy of
        that folder on another disk.
      </Text>
      <Refusal problem={problem} />
      {backups.data.backups.length === 0 ? (
        <Empty>
          The backups of your own book will stand here. The first one is made when you have practised.
        </Empty>
      ) : (
        <BackupList
          backups={backups.data.backups}
          restore={restore}
          now="Your book as it is now stays, as a backup of its own."
        />
      )}
    </Page>
  )
}
