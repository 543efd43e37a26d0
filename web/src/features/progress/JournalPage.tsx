import { Box, chakra, Flex, Grid, Input, Text } from '@chakra-ui/react'
import { keepPreviousData } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { usePracticeDay } from '../../api/practiceDay'
import { api, type Schemas } from '../../api/client'
import { OutlineLines } from '../../ui/Outline'
import { usePause } from '../../ui/usePause'
import { RoutineScore } from '../../ui/RoutineScore'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { sayDay, sayTime } from '../../ui/words'
import { Entry } from './Entry'
import { JournalFilters, useFilters, type Filters } from './JournalFilters'
import { Elsewhere } from './Elsewhere'
import { NewEntry } from './NewEntry'

/** What was written and played, by day; looked through by words, thing, area, tag and days. */
export function JournalPage() {
  const [search, setSearch] = useState('')
  const [before, setBefore] = useState<string[]>([])
  const words = usePause(search)
  const filters = useFilters()
  const [isNarrowing, setNarrowing] = useState(false)
  const asked = [words, filters.material, filters.area, filters.tag, filters.from, filters.to].join(' ')
  return (
    <Page
      title="Journal"
      aside={
        <Flex gap="3" align="center" wrap="wrap" className="no-print">
          <Press look="quiet" onClick={() => window.print()}>
            Print
          </Press>
          <Press look="quiet" aria-expanded={isNarrowing} onClick={() => setNarrowing(!isNarrowing)}>
            Narrow down
          </Press>
          <Box width={{ base: '190px', sm: '300px' }}>
            <Input
              type="search"
              aria-label="Search the journal"
              placeholder="words, pieces, a time"
              value={search}
              onChange={(event) => {
                setSearch(event.target.value)
                setBefore([])
              }}
            />
          </Box>
        </Flex>
      }
    >
      {(isNarrowing || filters.isNarrow || filters.from || filters.to) && (
        <JournalFilters filters={filters} />
      )}
      {!filters.isNarrow && !words && <NewEntry />}
      {[undefined, ...before].map((day, i) => (
        <Stretch
          key={`${day ?? ''}${asked}`}
          search={words}
          filters={filters}
          before={day}
          more={i === before.length ? (next) => setBefore([...before, next]) : undefined}
        />
      ))}
      <Elsewhere filters={filters} />
    </Page>
  )
}

interface StretchProps {
  search: string
  filters: Filters
  before?: string
  more?: (before: string) => void
}

function Stretch({ search, filters, before, more }: StretchProps) {
  const today = usePracticeDay()
  const { material, area, tag, from, to } = filters
  const query = { search: search || undefined, before, materialId: material, area, tag, from, to }
  const journal = api.useQuery(
    'get',
    '/api/journal',
    { params: { query } },
    { placeholderData: keepPreviousData },
  )
  if (!journal.data) return <OutlineLines />
  if (journal.data.days.length === 0) return before ? null : <Nothing search={search} filters={filters} />
  const isNarrow = Boolean(search) || filters.isNarrow
  return (
    <>
      {journal.data.days.map((day) =>
        isNarrow || day.day === today ? (
          <Day key={day.day} day={day} today={today} search={search} whole={!isNarrow} />
        ) : (
          <DayLine key={day.day} day={day} today={today} />
        ),
      )}
      {more && journal.data.more && (
        <Press mt="4" className="no-print" onClick={() => more(journal.data.more!)}>
          Earlier
        </Press>
      )}
    </>
  )
}

function Nothing({ search, filters }: { search: string; filters: Filters }) {
  return (
    <Empty>
      {search
        ? `Nothing was found with “${search}”. Words find what was written, by their beginnings; a time like 18:30 finds what was played then.`
        : filters.material
          ? 'Nothing is written about it yet. A note taken on the stage, or a line at the close, will stand here.'
          : filters.isNarrow || filters.from || filters.to
            ? 'Nothing is written within these bounds.'
            : 'What you play and write will stand here, day by day. Begin with today’s plan, or write a line above.'}
    </Empty>
  )
}

const sayTimes = (sittings: Schemas['SittingView'][]) =>
  sittings.map(({ startedUtc, endedUtc }) => `${sayTime(startedUtc)} to ${sayTime(endedUtc)}`).join(', ')

/** A day in two lines; it opens. */
function DayLine({ day, today }: { day: Schemas['JournalDay']; today: string }) {
  const said = [...day.moved.slice(0, 1), ...day.results.slice(0, day.moved.length > 0 ? 0 : 1)]
  const first = day.entries[0]
  const words = first ? first.text || first.nextTime || first.cause || first.remedy : ''
  return (
    <Grid
      as="section"
      aria-label={sayDay(day.day)}
      templateColumns={{ base: 'minmax(0,1fr)', md: '290px minmax(0,1fr)' }}
      columnGap="6"
      borderTop="1px solid"
      borderColor="line"
      py="2.5"
    >
      <Flex align="baseline" gap="3">
        <chakra.h2 fontWeight={700} whiteSpace="nowrap">
          <Link to={`/journal/day/${day.day}`}>{sayDay(day.day, today)}</Link>
        </chakra.h2>
        {day.playedMinutes > 0 && (
          <Text color="faded" whiteSpace="nowrap">
            {Math.round(day.playedMinutes)} min
          </Text>
        )}
      </Flex>
      <Text truncate>
        {said.join(' · ') || sayTimes(day.sittings) || (day.playedMinutes > 0 ? 'played' : 'not played')}
        {day.pain && <chakra.span color="wrong"> · pain, numbness or tingling noted</chakra.span>}
      </Text>
      <Text gridColumn={{ base: '1', md: '2' }} color="faded" truncate>
        {words ? `“${words}”` : 'Nothing written.'}
        {day.entries.length > 1 && ` and ${day.entries.length - 1} more`}
      </Text>
    </Grid>
  )
}

interface DayProps {
  day: Schemas['JournalDay']
  today: string
  search: string
  whole: boolean
}

/** A day with its entries. */
function Day({ day, today, search, whole }: DayProps) {
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
          <chakra.h2 fontSize="subheading">
            <Link to={`/journal/day/${day.day}`}>{sayDay(day.day, today)}</Link>
          </chakra.h2>
          {day.playedMinutes > 0 && <Text color="faded">{Math.round(day.playedMinutes)} min</Text>}
        </Flex>
        {day.sittings.length > 0 && (
          <Text color="faded" fontSize="0.9em">
            {sayTimes(day.sittings)}
          </Text>
        )}
        {whole && <DayScore day={day} size="small" />}
        {[...day.moved, ...day.results].map((line, i) => (
          <Text key={line} fontWeight={i < day.moved.length ? 600 : undefined}>
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

/** What was planned and played, as the picture of the day. */
export function DayScore({ day, size }: { day: Schemas['JournalDay']; size: 'large' | 'small' }) {
  if (day.drills.length === 0) return null
  return (
    <Box mt="2">
      <RoutineScore
        size={size}
        notes={day.drills.map((drill) => ({
          area: drill.area,
          minutes: drill.plannedSeconds / 60,
          title: drill.title,
          played: drill.playedSeconds / 60,
        }))}
      />
    </Box>
  )
}

export { sayTimes }
