import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import type { Book } from '../../api/book'
import { api, ask, client, type Schemas } from '../../api/client'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { ArchiveIn } from './ArchiveIn'
import { BackupList } from './BackupList'
import { EarlierLogs } from './EarlierLogs'
import { SecondFolder } from './SecondFolder'
import { useRestore } from './useRestore'

const tables = ['sittings', 'drills', 'takes', 'tempi', 'readings', 'ear-answers']

const NOW = 'Your book as it is now stays, as a backup of its own.'

/** Copies of one's own book: the backups and the way back to one, another disk, everything as one file. */
export function BackupsPage() {
  const about = api.useQuery('get', '/api/about')
  if (!about.data) return <Outline />
  if (!about.data.isGuest) return <Here book={about.data.book} />
  return (
    <Page title="Backups">
      <Empty>Backups and files are looked after on the machine on which the program runs.</Empty>
    </Page>
  )
}

function Here({ book }: { book: Book }) {
  const queries = useQueryClient()
  const backups = api.useQuery('get', '/api/backups')
  const { problem, run } = useProblem()
  const restore = useRestore(run)
  if (!backups.data) return <Outline />
  const make = async () => {
    await run(() => ask(client.POST('/api/backups')))
    await backups.refetch()
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
        copy is checked. They lie in {backups.data.folder}: {backups.data.kept}.
      </Text>
      <Refusal problem={problem} />
      <BrokenRows />
      <Section title="On another disk">
        <Text maxW="72ch" mb="2">
          A backup on the same disk does not outlive the disk. Into this folder each new one is copied as
          well: a stick, another disk, a folder that is synced.
        </Text>
        <SecondFolder
          second={backups.data.second}
          changed={() => backups.refetch()}
          restore={(name) => restore(name, true)}
          now={NOW}
        />
      </Section>
      <Section title="Everything as one file">
        <Text maxW="72ch" mb="2">
          All that is in the book, readable for other programs too: to move to another machine, or to keep.
          Read in, it becomes your own book where that is empty, else what is not there yet is added.
        </Text>
        <Download href={`/api/archive?book=${book}`}>
          Write {book === 'Own' ? 'your book' : 'this demo'} to a file
        </Download>
        <ArchiveIn done={() => queries.invalidateQueries()} />
      </Section>
      <Section title="Tables for a spreadsheet">
        <Flex gap="5" wrap="wrap">
          {tables.map((table) => (
            <Download key={table} href={`/api/csv/${table}?book=${book}`}>
              {table.replace('-', ' ')}
            </Download>
          ))}
        </Flex>
      </Section>
      <Section title="Practice from before">
        <Text maxW="72ch" mb="2">
          What you kept in a spreadsheet or another log: days, minutes, what you practised. It counts in the
          journal and in looking back; what tells no area counts as repertoire.
        </Text>
        <EarlierLogs />
      </Section>
      <Section title="Backups of your book">
        {backups.data.backups.length === 0 ? (
          <Empty>
            The backups of your own book will stand here. The first one is made when you have practised.
          </Empty>
        ) : (
          <BackupList backups={backups.data.backups} restore={(name) => restore(name, false)} now={NOW} />
        )}
      </Section>
    </Page>
  )
}

/** Rows of the book that cannot be read; there are none unless something went wrong outside of this program. */
function BrokenRows() {
  const queries = useQueryClient()
  const rows = api.useQuery('get', '/api/backups/rows')
  const { problem, run } = useProblem()
  if (!rows.data?.length) return null
  const remove = async (row: Schemas['RowFault']) => {
    if (await run(() => ask(client.POST('/api/backups/rows/remove', { body: row }))))
      await queries.invalidateQueries()
  }
  return (
    <Section title="What cannot be read">
      <Text maxW="72ch" mb="2">
        Something other than this program has changed your book. Everything else in it works. Take such a row
        out, or restore a backup from before; the book as it is now is backed up first.
      </Text>
      <chakra.ul listStyleType="none">
        {rows.data.map((row) => (
          <chakra.li key={`${row.table}:${row.row}:${row.field}`} py="1">
            {row.table}, row {row.row}: {row.field} {row.why}{' '}
            <Press
              look="quiet"
              aria-label={`Take row ${row.row} out of ${row.table}`}
              onClick={() => remove(row)}
            >
              take it out
            </Press>
          </chakra.li>
        ))}
      </chakra.ul>
      <Refusal problem={problem} />
    </Section>
  )
}

function Download({ href, children }: { href: string; children: React.ReactNode }) {
  return (
    <chakra.a
      href={href}
      download
      display="inline-flex"
      alignItems="center"
      minH="42px"
      textDecoration="underline"
      textUnderlineOffset="3px"
    >
      {children}
    </chakra.a>
  )
}

function Section({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box as="section" aria-label={title} borderTop="1px solid" borderColor="line" pt="3" pb="5">
      <chakra.h2 fontSize="heading" mb="1">
        {title}
      </chakra.h2>
      {children}
    </Box>
  )
}
