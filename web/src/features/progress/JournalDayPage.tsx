import { Box, Flex, Grid, Table, Text, chakra } from '@chakra-ui/react'
import { Link, useParams } from 'react-router'
import { api, type Schemas } from '../../api/client'
import { usePracticeDay } from '../../api/practiceDay'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { sayDay, sayMinutes } from '../../ui/words'
import { HeardTakes } from '../listening/HeardTakes'
import { Entry } from './Entry'
import { DayScore, sayTimes } from './JournalPage'
import { NewEntry } from './NewEntry'

/** A day to be read: its score, what moved, the words, and what was played. */
export function JournalDayPage() {
  const { day = '' } = useParams()
  const today = usePracticeDay()
  const page = api.useQuery('get', '/api/journal/days/{day}', { params: { path: { day } } })
  if (page.isError)
    return (
      <Page title="No such day">
        <Empty>
          This is no day of the calendar. <Link to="/journal">The journal</Link>
        </Empty>
      </Page>
    )
  if (!page.data) return <Outline />
  const { day: shown, things, decided, body, earlier, later, plannedMinutes } = page.data
  return (
    <Page
      title={sayDay(day, today)}
      aside={
        <Flex gap="5" align="center" className="no-print">
          {earlier && <Link to={`/journal/day/${earlier}`}>← {sayDay(earlier)}</Link>}
          {later && <Link to={`/journal/day/${later}`}>{sayDay(later)} →</Link>}
          <Press look="quiet" onClick={() => window.print()}>
            Print
          </Press>
        </Flex>
      }
    >
      <Text color="faded">
        {shown.playedMinutes > 0
          ? `${sayMinutes(Math.round(shown.playedMinutes))} played of ${Math.round(plannedMinutes)} planned`
          : 'Not played.'}
        {shown.sittings.length > 0 && `, ${sayTimes(shown.sittings)}`}
      </Text>
      <DayScore day={shown} size="large" />
      <Grid
        templateColumns={{ base: '1fr', lg: 'minmax(0,1fr) minmax(0,1fr)' }}
        columnGap="12"
        rowGap="6"
        mt="4"
      >
        <Box>
          {shown.moved.map((line) => (
            <Text key={line} fontSize="subheading" fontWeight={700}>
              {line}
            </Text>
          ))}
          <Box mt={shown.moved.length > 0 ? '4' : '0'}>
            {shown.entries.length === 0 && <Text color="faded">Nothing written.</Text>}
            {shown.entries.map((entry) => (
              <Entry key={entry.id} entry={entry} search="" />
            ))}
          </Box>
          {day <= today && <NewEntry day={day} />}
        </Box>
        <Box>
          <Played things={things} />
          <HeardTakes title="As it was heard" day={day} />
          <Lines title="Read and heard" lines={shown.results} />
          <Lines title="Decided" lines={decided} />
          <Lines title="Body" lines={body} />
        </Box>
      </Grid>
    </Page>
  )
}

function Lines({ title, lines }: { title: string; lines: string[] }) {
  if (lines.length === 0) return null
  return (
    <Box as="section" mb="4" aria-label={title}>
      <chakra.h2 fontSize="subheading">{title}</chakra.h2>
      {lines.map((line, i) => (
        <Text key={i}>{line}</Text>
      ))}
    </Box>
  )
}

/** What was played, tempi reached against before. */
function Played({ things }: { things: Schemas['PlayedThingView'][] }) {
  if (things.length === 0) return null
  return (
    <Box as="section" mb="4" aria-label="Played">
      <Table.Root size="sm">
        <Table.Header>
          <Table.Row>
            <Table.ColumnHeader>Played</Table.ColumnHeader>
            <Table.ColumnHeader textAlign="right">clean</Table.ColumnHeader>
            <Table.ColumnHeader textAlign="right">before</Table.ColumnHeader>
            <Table.ColumnHeader textAlign="right">that day</Table.ColumnHeader>
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {things.map((thing) => (
            <Table.Row key={thing.materialId}>
              <Table.Cell>{thing.title}</Table.Cell>
              <Table.Cell textAlign="right">
                {thing.cleanTakes} of {thing.takes}
              </Table.Cell>
              <Table.Cell textAlign="right">{thing.before ?? '–'}</Table.Cell>
              <Table.Cell
                textAlign="right"
                fontWeight={thing.clean && thing.clean > (thing.before ?? 0) ? 700 : undefined}
              >
                {thing.clean ?? '–'}
              </Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </Box>
  )
}
