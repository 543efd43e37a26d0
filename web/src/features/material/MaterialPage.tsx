import { Box, chakra, Flex, Input, Table, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import { usePracticeDay } from '../../api/practiceDay'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { OutlineLines } from '../../ui/Outline'
import { ReadinessSign, readinessWords } from '../../ui/Readiness'
import { AreaGlyph } from '../../ui/areas'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Select } from '../../ui/Select'
import { sayDistance, sayTempo } from '../../ui/words'
import { MaterialForm } from './MaterialForm'
import { emptyWish, sayDates, wishOf, type Wish } from './wish'

type Material = Schemas['MaterialView']
type Kind = Schemas['MaterialKind']

type MusicKind = Exclude<Kind, 'Exercise'>

const kindNames: Record<MusicKind, string> = {
  Piece: 'piece',
  Passage: 'passage',
  Book: 'reading book',
}
const sorts = { piece: 'by piece', due: 'by due day', lastVisit: 'by last played' } as const

/** The music that is practised: entered quickly, sorted, searched, rested and brought back. Exercises stand in Craft. */
export function MaterialPage() {
  const materials = api.useQuery('get', '/api/materials')
  const today = usePracticeDay()
  const [search, setSearch] = useState('')
  const [kind, setKind] = useState<MusicKind | ''>('')
  const [sort, setSort] = useState<keyof typeof sorts>('piece')
  const [editing, setEditing] = useState<{ id: number | null; wish: Wish } | null>(null)
  const all = (materials.data ?? []).filter((item) => item.kind !== 'Exercise')
  const shown = all
    .filter(
      (item) =>
        (!kind || item.kind === kind) &&
        `${item.title} ${item.difficulty} ${item.note}`.toLowerCase().includes(search.trim().toLowerCase()),
    )
    .sort((a, b) => (sort === 'piece' ? 0 : (a[sort] ?? '9999').localeCompare(b[sort] ?? '9999')))
  return (
    <Page
      title="Music"
      aside={
        <Flex gap="2" wrap="wrap">
          {(['Piece', 'Passage', 'Book'] as const).map((one) => (
            <Press
              key={one}
              disabled={one === 'Passage' && !all.some((item) => item.kind === 'Piece')}
              onClick={() => setEditing({ id: null, wish: emptyWish(one, all) })}
            >
              New {kindNames[one]}
            </Press>
          ))}
        </Flex>
      }
    >
      {editing && (
        <MaterialForm
          key={editing.id ?? `new ${editing.wish.kind}`}
          id={editing.id}
          start={editing.wish}
          pieces={all.filter((item) => item.kind === 'Piece')}
          close={() => setEditing(null)}
          again={(wish) => setEditing({ id: null, wish })}
        />
      )}
      <Flex gap="3" mb="3" wrap="wrap">
        <Input
          type="search"
          aria-label="Search music"
          placeholder="search"
          width="240px"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
        <Select
          aria-label="Kind"
          width="auto"
          value={kind}
          onChange={(event) => setKind(event.target.value as MusicKind | '')}
        >
          <option value="">everything</option>
          {Object.entries(kindNames).map(([value, name]) => (
            <option key={value} value={value}>
              {name}s
            </option>
          ))}
        </Select>
        <Select
          aria-label="Order"
          width="auto"
          value={sort}
          onChange={(event) => setSort(event.target.value as keyof typeof sorts)}
        >
          {Object.entries(sorts).map(([value, name]) => (
            <option key={value} value={value}>
              {name}
            </option>
          ))}
        </Select>
      </Flex>
      {!materials.data && <OutlineLines />}
      {materials.data && all.length === 0 && (
        <Empty>
          Pieces, their hard passages and reading books will stand here. Enter one piece and two passages, and
          the plan has something to work with.
        </Empty>
      )}
      {all.length > 0 && shown.length === 0 && <Empty>Nothing fits this search.</Empty>}
      {shown.length > 0 && (
        <List
          items={shown}
          today={today}
          indent={sort === 'piece'}
          edit={(item) => setEditing({ id: item.id, wish: wishOf(item) })}
        />
      )}
    </Page>
  )
}

/** What a narrow screen can do without: when it is due says more. */
const wide = { base: 'none', lg: 'table-cell' }
/** What a phone shows in a line under the title instead. */
const columned = { base: 'none', md: 'table-cell' }

interface TableProps {
  items: Material[]
  today: string
  indent: boolean
  edit: (item: Material) => void
}

function List({ items, today, indent, edit }: TableProps) {
  return (
    // What is hidden from the eye stays inside what scrolls.
    <Box overflowX="auto" position="relative">
      <Table.Root width="100%">
        <Table.Header>
          <Table.Row>
            <Table.ColumnHeader minW={{ base: '160px', md: '230px' }}>what</Table.ColumnHeader>
            <Table.ColumnHeader>how far</Table.ColumnHeader>
            <Table.ColumnHeader display={columned}>tempo</Table.ColumnHeader>
            <Table.ColumnHeader display={wide}>last played</Table.ColumnHeader>
            <Table.ColumnHeader display={columned}>due</Table.ColumnHeader>
            <Table.ColumnHeader>
              <chakra.span srOnly>actions</chakra.span>
            </Table.ColumnHeader>
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {items.map((item) => (
            <Row key={item.id} item={item} today={today} indent={indent} edit={edit} />
          ))}
        </Table.Body>
      </Table.Root>
    </Box>
  )
}

function Row({ item, today, indent, edit }: Omit<TableProps, 'items'> & { item: Material }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const rest = async () => {
    await run(() =>
      ask(
        client.PUT('/api/materials/{id}', {
          params: { path: { id: item.id } },
          body: { ...wishOf(item), resting: !item.resting },
        }),
      ),
    )
    await saved()
  }
  return (
    <Table.Row color={item.resting ? 'faded' : undefined}>
      <Table.Cell>
        <Flex gap="2.5" align="center" pl={indent && item.kind === 'Passage' ? '6' : '0'}>
          <AreaGlyph area={item.area} />
          <Box>
            <Text fontWeight={item.kind === 'Piece' ? 700 : 500}>
              {item.kind === 'Piece' ? (
                <PieceLink to={`/music/${item.id}`}>{item.title}</PieceLink>
              ) : indent && item.kind === 'Passage' ? (
                `${item.fromBar === item.toBar ? 'bar' : 'bars'} ${item.shortTitle}`
              ) : (
                item.title
              )}
            </Text>
            <Text fontSize="0.85em" color="faded">
              {[
                item.resting && 'resting',
                item.kind === 'Piece' && `${item.toBar} bars`,
                sayDates(item, today),
                item.weekTimes > 0 && `${item.weekMinutes} min, ${item.weekTimes} times a week`,
                item.difficulty,
                item.note,
              ]
                .filter(Boolean)
                .join(' · ')}
            </Text>
            <Box hideFrom="md" fontSize="0.85em">
              <Standing item={item} /> {dueOf(item, today)}
            </Box>
            {item.word && (
              <Text fontSize="0.85em" color="accent">
                {item.word}
              </Text>
            )}
            <Refusal problem={problem} />
          </Box>
        </Flex>
      </Table.Cell>
      <Table.Cell>
        {(item.kind === 'Piece' || item.kind === 'Passage') && (
          <Flex gap="2" align="center" whiteSpace="nowrap">
            <ReadinessSign value={item.readiness} />
            <chakra.span hideBelow="md">{readinessWords[item.readiness]}</chakra.span>
          </Flex>
        )}
        {item.kind === 'Book' && `no. ${Math.min(item.nextExample, item.examples)} of ${item.examples}`}
      </Table.Cell>
      <Table.Cell display={columned}>
        <Standing item={item} />
      </Table.Cell>
      <Table.Cell display={wide}>{item.lastVisit ? distance(item.lastVisit, today) : '–'}</Table.Cell>
      <Table.Cell display={columned}>{dueOf(item, today)}</Table.Cell>
      <Table.Cell>
        <Flex justify="end" align={{ base: 'end', md: 'center' }} direction={{ base: 'column', md: 'row' }}>
          <Notes to={`/journal?material=${item.id}`} aria-label={`Notes on ${item.title}`}>
            notes
          </Notes>
          <Press look="quiet" minH="34px" aria-label={`Change ${item.title}`} onClick={() => edit(item)}>
            change
          </Press>
          <Press
            look="quiet"
            minH="34px"
            aria-label={`${item.resting ? 'Bring back' : 'Rest'} ${item.title}`}
            onClick={() => rest()}
          >
            {item.resting ? 'bring back' : 'rest'}
          </Press>
        </Flex>
      </Table.Cell>
    </Table.Row>
  )
}

/** Its tempo now, or how much of a book is left. */
function Standing({ item }: { item: Material }) {
  return (
    <chakra.span whiteSpace={item.kind === 'Book' ? 'normal' : 'nowrap'}>
      {item.lastClean ? (
        <Notes px="0" to={`/music/${item.id}/tempo`} aria-label={`Tempo of ${item.title}`}>
          {item.standing}
        </Notes>
      ) : (
        item.target && `target ${sayTempo(item.target, item.beat)}`
      )}
      {item.kind === 'Book' &&
        item.daysLeft !== null &&
        (item.daysLeft === 0 ? 'read' : `${item.perDay} a day: about ${item.daysLeft} days left`)}
    </chakra.span>
  )
}

const dueOf = (item: Material, today: string) =>
  item.resting ? '' : item.due ? distance(item.due, today) : item.growing ? 'growing' : ''

const Notes = chakra(Link, {
  base: { px: '2', fontWeight: 500, textDecoration: 'underline', textUnderlineOffset: '3px' },
})

const PieceLink = chakra(Link, { base: { textDecoration: 'underline', textUnderlineOffset: '3px' } })

const distance = (day: string, today: string) =>
  sayDistance(Math.round((Date.parse(day) - Date.parse(today)) / 86400000))
