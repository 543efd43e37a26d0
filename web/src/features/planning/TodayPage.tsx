import { Box, Flex, Grid, Text, chakra } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { Link, useNavigate } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Outline } from '../../ui/Outline'
import { RoutineScore } from '../../ui/RoutineScore'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem, Refused, RefusalOf } from '../../ui/refusal'
import { usePageChange } from '../../ui/usePageChange'
import { sayDay, sayMinutes, sayNumber, weekdayOf } from '../../ui/words'
import { AddDrill } from './AddDrill'
import { DayWishes, Minutes } from './DayWishes'
import { Reliefs } from './Reliefs'
import { DrillList } from './DrillList'
import { Carried } from './Written'
import { useToday, type Today } from './useToday'

export function TodayPage() {
  const state = useToday()
  const { today, problem, refused } = state
  if (!today) return refused ? <NoPlan message={refused} /> : <Outline />
  return (
    <Refused problem={problem}>
      <Day state={state} today={today} />
    </Refused>
  )
}

/** Beside each other the list and the day's wishes; on a phone the minutes and Begin come first. */
const areas = {
  base: '"title" "head" "list" "rest"',
  lg: '"title title" "list head" "list rest"',
}

function Day({ state, today }: { state: Today; today: Schemas['TodayView'] }) {
  const begin = useBegin(state)
  const title = `${sayNumber(today.minutes)} minutes, ${weekdayOf(today.day)}`
  const heading = usePageChange<HTMLHeadingElement>(title)
  const left = today.minutes - today.total
  return (
    <Grid
      as="main"
      id="main"
      tabIndex={-1}
      templateAreas={areas}
      templateColumns={{ base: 'minmax(0,1fr)', lg: 'minmax(0, 1fr) 262px' }}
      templateRows={{ lg: 'auto auto 1fr' }}
      columnGap="8"
      maxW="1320px"
      mx="auto"
      px={{ base: '4', md: '8' }}
      pt="3"
      pb="5"
    >
      <Box gridArea="title">
        <Flex align="baseline" columnGap="6" wrap="wrap" mb="1">
          <chakra.h1 ref={heading} tabIndex={-1} outline="none" fontSize={{ base: '1.65rem', md: '2.0rem' }}>
            {title}
          </chakra.h1>
          <Flex align="baseline" columnGap="4" wrap="wrap">
            <Text fontWeight={700} aria-live="polite">
              {today.total} of {today.minutes} min
              {left > 0 && `: ${left} free`}
              {left < 0 && `: ${-left} too many`}
            </Text>
            <Press look="quiet" className="no-print" onClick={() => state.anew()}>
              Plan anew
            </Press>
            {today.byHand > 0 && (
              <Press look="quiet" className="no-print" onClick={() => state.anew(true)}>
                Without my changes ({today.byHand})
              </Press>
            )}
            <Press look="quiet" className="no-print" onClick={() => window.print()}>
              Print
            </Press>
          </Flex>
        </Flex>
        {today.unclosed && <Unclosed unclosed={today.unclosed} />}
        {today.done && (
          <Text mb="3" fontSize="lead" data-testid="done">
            {today.done}
          </Text>
        )}
        {today.bodyQuestion && <BodyQuestion state={state} />}
      </Box>
      <Box gridArea="head" as="section" aria-label="Minutes" className="no-print" mb={{ base: '4', lg: '0' }}>
        <Minutes state={state} today={today} />
        <Press look="strong" mt="2" minH="54px" px="6" fontSize="lead" onClick={() => begin()}>
          {today.sessionOpen ? 'Go on' : 'Begin'}
          <Text
            as="span"
            fontWeight={400}
            opacity={0.75}
            fontSize="0.9rem"
            display={{ base: 'none', md: 'inline' }}
          >
            space
          </Text>
        </Press>
        {Math.round(today.playedToday) > 0 && (
          <Text mt="2" color="faded">
            {sayMinutes(Math.round(today.playedToday))} played today already.
          </Text>
        )}
      </Box>
      <Box gridArea="list" minW="0">
        <RoutineScore
          notes={today.drills.map((drill) => ({
            area: drill.area,
            minutes: drill.minutes,
            title: drill.title,
          }))}
          minutes={today.minutes}
        />
        <Refusal />
        {state.letGo && (
          <Box role="alert" borderLeft="4px solid" borderColor="accent" pl="4" my="2">
            <RefusalOf field="letGo" />
            <Flex gap="3" mt="2" wrap="wrap">
              <Press onClick={state.letGo}>Let it go</Press>
              <Press onClick={state.clear}>Leave the day as it is</Press>
            </Flex>
          </Box>
        )}
        {today.warnings.map((line) => (
          <Text
            key={line}
            role="status"
            data-testid="warning"
            borderLeft="4px solid"
            borderColor="accent"
            pl="3"
            fontWeight={600}
            fontSize="0.95em"
            mb="2"
          >
            {line}
          </Text>
        ))}
        {today.carried.length > 0 && <Carried lines={today.carried} />}
        <DrillList state={state} today={today} />
        <AddDrill state={state} today={today} />
      </Box>
      <Box gridArea="rest" as="aside" className="no-print" aria-label="The day" mt={{ base: '5', lg: '0' }}>
        <DayWishes state={state} today={today} />
        <Text fontSize="0.95em" mt="3">
          <Link to="/ear">A round for the ear now</Link>
        </Text>
        {today.spareWaiting > 0 && (
          <Text fontSize="0.95em" mt="1">
            <Link to="/spare">
              {today.spareWaiting === 1 ? 'A spare minute waits' : `${today.spareWaiting} spare minutes wait`}
            </Link>
          </Text>
        )}
        {today.reviewIsDue && (
          <Text fontSize="0.95em" mt="1">
            <Link to="/journal/review">The week’s review: ten minutes</Link>
          </Text>
        )}
        {today.onShelf > 0 && (
          <Text fontSize="0.95em" mt="1">
            <Link to="/journal/shelf">
              {today.onShelf === 1 ? 'One idea waits' : `${today.onShelf} ideas wait`} on the shelf
            </Link>
          </Text>
        )}
        {today.reliefs.length > 0 && <Reliefs reliefs={today.reliefs} />}
        {(today.summary.length > 0 || today.advice) && (
          <Box borderLeft="4px solid" borderColor="accent" pl="4" mt="4" fontSize="0.93em">
            {today.advice && <Text mb="2">{today.advice}</Text>}
            {today.summary.map((line) => (
              <Text key={line} mb="2">
                {line}
              </Text>
            ))}
          </Box>
        )}
      </Box>
    </Grid>
  )
}

/** The day could not be laid out: why, and where it can be mended. */
function NoPlan({ message }: { message: string }) {
  return (
    <Page title="No plan for today yet">
      <Empty>
        <Text>{message}</Text>
        <Flex gap="5" mt="3">
          <Link to="/set-up">Routines</Link>
          <Link to="/set-up/shares">Shares</Link>
        </Flex>
      </Empty>
    </Page>
  )
}

/** Space, or the pedal's right button, begins. */
function useBegin(state: Today) {
  const navigate = useNavigate()
  const queries = useQueryClient()
  const begin = async () => {
    const session = await state.begin()
    if (!session) return
    queries.setQueryData(api.queryOptions('get', '/api/session').queryKey, session)
    await navigate('/practise')
  }
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const onControl =
        event.target instanceof HTMLElement &&
        event.target.closest('button, input, select, textarea, a, [role="button"]')
      if ((event.key !== ' ' && event.key !== 'PageDown') || onControl || event.repeat) return
      event.preventDefault()
      void begin()
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  })
  return begin
}

/** Something the day asks before it begins. */
function Asks({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <Box
      border="2px solid"
      borderColor="accent"
      borderRadius="8px"
      p="4"
      mb="4"
      role="region"
      aria-label={label}
    >
      {children}
    </Box>
  )
}

/** A session of an earlier day that nobody closed, with what it holds; it is closed before today begins. */
function Unclosed({ unclosed }: { unclosed: Schemas['UnclosedView'] }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const close = async () => {
    const body = { id: crypto.randomUUID(), sessionId: unclosed.id, note: '', pain: false, where: '' }
    if (await run(() => ask(client.POST('/api/session/close', { body })))) await saved()
  }
  const holds = [
    `${Math.round(unclosed.playedMinutes)} of ${sayMinutes(unclosed.plannedMinutes)} played`,
    unclosed.takes > 0 && `${unclosed.takes} ${unclosed.takes === 1 ? 'take' : 'takes'}`,
    unclosed.notes > 0 && `${unclosed.notes} ${unclosed.notes === 1 ? 'note' : 'notes'}`,
  ].filter(Boolean)
  return (
    <Asks label="A session left open">
      <Text fontWeight={600}>
        The session of {sayDay(unclosed.day)} is still open: {holds.join(', ')}.
      </Text>
      <Text mt="1" color="faded">
        It is closed before today&rsquo;s begins, and keeps its own day.
      </Text>
      <Flex mt="3" gap="5" align="center" wrap="wrap">
        <Press onClick={close}>Close it as it stands</Press>
        <Link to="/close" style={{ textDecoration: 'underline' }}>
          Write something about it first
        </Link>
      </Flex>
      <Refusal problem={problem} />
    </Asks>
  )
}

function BodyQuestion({ state }: { state: Today }) {
  return (
    <Asks label="How is it now">
      <Text fontWeight={600}>{state.today?.bodyQuestion}</Text>
      <Flex gap="3" mt="3" wrap="wrap">
        <Press onClick={() => state.tellBody({ tension: 0, pain: false, where: '' })}>
          Well again: plan playing
        </Press>
        <Press onClick={() => state.tellBody({ tension: 0, pain: true, where: '' })}>
          Still there: quiet work today
        </Press>
      </Flex>
    </Asks>
  )
}
