import { Box, chakra, Flex, Grid, Input, Text, Textarea } from '@chakra-ui/react'
import { keepPreviousData } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { usePracticeDay } from '../../api/practiceDay'
import { api, ask, client, type Schemas } from '../../api/client'
import { OutlineLines } from '../../ui/Outline'
import { usePause } from '../../ui/usePause'
import { RoutineScore } from '../../ui/RoutineScore'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { sayDay, sayTime } from '../../ui/words'
import { Entry } from './Entry'
import { useJournalRefresh } from './useJournalRefresh'

/** What was written and played, by day; searched by words. */
export function JournalPage() {
  const [search, setSearch] = useState('')
  const [before, setBefore] = useState<string[]>([])
  const words = usePause(search)
  const [asked] = useSearchParams()
  const material = Number(asked.get('material')) || undefined
  return (
    <Page
      title="Journal"
      aside={
        <Box width="320px">
          <Input
            type="search"
            aria-label="Search the journal"
            placeholder="search words, pieces, a time"
            value={search}
            onChange={(event) => {
              setSearch(event.target.value)
              setBefore([])
            }}
          />
        </Box>
      }
    >
      {material ? <About material={material} /> : <NewEntry />}
      {[undefined, ...before].map((day, i) => (
        <Stretch
          key={`${day ?? ''}${material ?? ''}`}
          search={words}
          material={material}
          before={day}
          more={i === before.length ? (next) => setBefore([...before, next]) : undefined}
        />
      ))}
    </Page>
  )
}

function Stretch({
  search,
  material,
  before,
  more,
}: {
  search: string
  material?: number
  before?: string
  more?: (before: string) => void
}) {
  const today = usePracticeDay()
  const journal = api.useQuery(
    'get',
    '/api/journal',
    { params: { query: { search: search || undefined, before, materialId: material } } },
    { placeholderData: keepPreviousData },
  )
  if (!journal.data) return <OutlineLines />
  if (journal.data.days.length === 0)
    return before ? null : (
      <Empty>
        {search
          ? `Nothing was found with “${search}”. Words find what was written; a time like 18:30 finds what was played then.`
          : material
            ? 'Nothing is written about it yet. A note taken on the stage, or a line at the close, will stand here.'
            : 'What you play and write will stand here, day by day. Begin with today’s plan, or write a line above.'}
      </Empty>
    )
  return (
    <>
      {journal.data.days.map((day) => (
        <Day key={day.day} day={day} today={today} search={search} whole={!search && !material} />
      ))}
      {more && journal.data.more && (
        <Press mt="4" onClick={() => more(journal.data.more!)}>
          Earlier
        </Press>
      )}
    </>
  )
}

function Day({
  day,
  today,
  search,
  whole,
}: {
  day: Schemas['JournalDay']
  today: string
  search: string
  whole: boolean
}) {
  return (
    <Grid
      as="section"
      templateColumns={{ base: '1fr', md: '330px minmax(0,1fr)' }}
      columnGap="32px"
      rowGap="8px"
      borderTop="1px solid"
      borderColor="line"
      py="4"
      aria-label={sayDay(day.day)}
    >
      <Box>
        <Flex align="baseline" gap="3">
          <chakra.h2 fontSize="subheading">{sayDay(day.day, today)}</chakra.h2>
          {day.playedMinutes > 0 && <Text color="faded">{Math.round(day.playedMinutes)} min</Text>}
        </Flex>
        {day.sittings.length > 0 && (
          <Text color="faded" fontSize="0.9em">
            {day.sittings
              .map(({ startedUtc, endedUtc }) => `${sayTime(startedUtc)} to ${sayTime(endedUtc)}`)
              .join(', ')}
          </Text>
        )}
        {whole && day.drills.length > 0 && (
          <Box mt="2">
            <RoutineScore
              size="small"
              notes={day.drills.map((drill) => ({
                area: drill.area,
                minutes: drill.plannedSeconds / 60,
                title: drill.title,
                played: drill.playedSeconds / 60,
              }))}
            />
          </Box>
        )}
        {day.moved.map((line) => (
          <Text key={line} fontWeight={600}>
            {line}
          </Text>
        ))}
        {day.results.map((line) => (
          <Text key={line} fontSize="0.92em">
            {line}
          </Text>
        ))}
        {day.pain && <Text color="wrong">pain, numbness or tingling noted</Text>}
        {!day.pain && day.wasTense && <Text color="faded">tension was high</Text>}
      </Box>
      <Box>
        {day.entries.length === 0 && <Text color="faded">Nothing written.</Text>}
        {day.entries.map((entry) => (
          <Entry key={entry.id} entry={entry} search={search} />
        ))}
      </Box>
    </Grid>
  )
}

/** The journal of one material only. */
function About({ material }: { material: number }) {
  const title = api.useQuery('get', '/api/materials').data?.find((item) => item.id === material)?.title
  return (
    <Text mb="4">
      Only what was written about <strong>{title ?? 'this'}</strong>.{' '}
      <Link to="/journal" style={{ textDecoration: 'underline' }}>
        The whole journal
      </Link>
    </Text>
  )
}

function NewEntry() {
  const [text, setText] = useState('')
  const [key, setKey] = useState(() => crypto.randomUUID())
  const { problem, run } = useProblem()
  const refresh = useJournalRefresh()
  const save = async () => {
    if (!(await run(() => ask(client.POST('/api/journal', { body: { key, text, kind: 'Note' } }))))) return
    setText('')
    setKey(crypto.randomUUID())
    await refresh()
  }
  return (
    <Box mb="5">
      <Flex gap="3" align="start">
        <Textarea
          aria-label="Write something"
          placeholder="Write something"
          minH="48px"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <Press onClick={() => save()} disabled={!text.trim()}>
          Keep
        </Press>
      </Flex>
      <Refusal problem={problem} />
    </Box>
  )
}
