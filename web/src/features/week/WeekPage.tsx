import { Box, Flex, Grid, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { Fold } from '../../ui/Fold'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal } from '../../ui/refusal'
import { Tines } from '../../ui/Tines'
import { sayDay, weekdayOf } from '../../ui/words'
import { AheadDays } from './AheadDays'
import { Calendars } from './Calendars'
import { DaysOff } from './DaysOff'
import { Goals } from './Goals'
import { MinutesNow } from './MinutesNow'
import { Strip } from './Strip'
import { UsualWeekForm } from './UsualWeek'
import { useAhead, type Ahead } from './useAhead'

/** The coming week as one plan, what lies further ahead, and what the last seven days gave each area. */
export function WeekPage() {
  const week = api.useQuery('get', '/api/week')
  const ahead = useAhead()
  if (!week.data || !ahead.view) return <Outline />
  const { balance, dates, day } = week.data
  const { view } = ahead
  return (
    <Page
      title="The week"
      aside={
        <Flex gap="6" align="center" wrap="wrap">
          <Link to="/spare">Spare minutes</Link>
          <MinutesNow />
        </Flex>
      }
    >
      {view.missed && <Missed ahead={ahead} missed={view.missed} />}
      <Refusal problem={ahead.problem} />
      <AheadDays ahead={ahead} days={view.days} />
      <Flex mt="2" gap="4" align="baseline" wrap="wrap" color="faded" fontSize="0.92em">
        <Text maxW="90ch">
          After today each day is a forecast: the planner’s own, if what comes before goes as it usually does.
          Arrows move five minutes to the next day; the sum stays.
        </Text>
        {view.days.some((one) => one.isMoved) && (
          <Press
            look="quiet"
            minH="34px"
            onClick={() => ahead.change(() => ask(client.DELETE('/api/week/moved')))}
          >
            all back as usual
          </Press>
        )}
      </Flex>
      <Changes ahead={ahead} view={view} />
      <Grid templateColumns={{ base: '1fr', lg: 'minmax(0,1fr) 300px' }} columnGap="12" rowGap="8" mt="6">
        <Box minW="0">
          <chakra.h2 fontSize="heading" mb="1">
            Four weeks ahead
          </chakra.h2>
          <Strip days={view.strip} />
          <chakra.h2 fontSize="heading" mt="8" mb="1">
            Dates
          </chakra.h2>
          {dates.length === 0 && (
            <Empty>
              No performance is set. Give a piece its day in <Link to="/music">Music</Link>, and the way there
              is reckoned backwards from it.
            </Empty>
          )}
          {dates.map((one) => (
            <Performance key={one.pieceId} date={one} today={day} />
          ))}
          <Goals />
        </Box>
        <Box as="section" aria-label="The last seven days">
          <chakra.h2 fontSize="subheading">The last seven days</chakra.h2>
          <Text mb="4">{week.data.balanceWords}</Text>
          <Tines tines={balance} />
          <Text mt="3" color="faded" fontSize="0.92em">
            Minutes played of those wanted, with what today still has.{' '}
            <Link to="/set-up/shares">Change the shares</Link>
          </Text>
        </Box>
      </Grid>
    </Page>
  )
}

/** What a week usually is, its exceptions, and calendars: each opens. */
function Changes({ ahead, view }: { ahead: Ahead; view: Schemas['AheadView'] }) {
  const [open, setOpen] = useState<'usual' | 'off' | 'calendar' | null>(null)
  const toggle = (what: typeof open) => setOpen(open === what ? null : what)
  return (
    <Box mt="3">
      <Flex gap="6" wrap="wrap">
        <Fold open={open === 'usual'} toggle={() => toggle('usual')}>
          The usual week
        </Fold>
        <Fold open={open === 'off'} toggle={() => toggle('off')}>
          Exceptions{view.daysOff.length > 0 && ` (${view.daysOff.length})`}
        </Fold>
        <Fold open={open === 'calendar'} toggle={() => toggle('calendar')}>
          Calendars
        </Fold>
      </Flex>
      {open === 'usual' && <UsualWeekForm ahead={ahead} usual={view.usual} />}
      {open === 'off' && <DaysOff ahead={ahead} daysOff={view.daysOff} today={view.today} />}
      {open === 'calendar' && <Calendars ahead={ahead} feed={view.feed} taken={view.taken} />}
    </Box>
  )
}

/** A day that was missed: its minutes within limits on the coming days, by one press. */
function Missed({ ahead, missed }: { ahead: Ahead; missed: Schemas['MissedView'] }) {
  return (
    <Flex gap="4" align="baseline" wrap="wrap" borderLeft="4px solid" borderColor="accent" pl="4" mb="4">
      <Text>
        {weekdayOf(missed.missed)} was not played. {missed.minutes} of its minutes fit into{' '}
        {missed.days.length === 1 ? 'a coming day' : `${missed.days.length} coming days`}
        {missed.letGo > 0 && `; the other ${missed.letGo} are let go`}.
      </Text>
      <Press onClick={() => ahead.change(() => ask(client.POST('/api/week/spread')))}>Spread them</Press>
    </Flex>
  )
}

/** One performance: how far away, what the day is for on its way, and the sum. */
function Performance({ date, today }: { date: Schemas['DateView']; today: string }) {
  return (
    <Box as="section" aria-label={date.title} borderTop="1px solid" borderColor="line" py="3">
      <chakra.h3 fontSize="subheading" fontWeight={700}>
        <Link to={`/music/${date.pieceId}`}>{date.title}</Link>, {sayDay(date.date, today)}
      </chakra.h3>
      <Text mt="1">
        {sayPhase(date, today)} <Link to={`/music/list/${date.date}`}>Its list</Link>
      </Text>
      <Text mt="1" maxW="72ch" color={date.fits ? 'faded' : 'ink'}>
        {date.words}
      </Text>
    </Box>
  )
}

function sayPhase({ today: phase, sectionsFrom, runsFrom }: Schemas['DateView'], today: string) {
  if (phase === 'Passages') return `Now: passages. Joined sections from ${sayDay(sectionsFrom, today)}.`
  if (phase === 'Sections') return `Now: joined sections. Whole run-throughs from ${sayDay(runsFrom, today)}.`
  return 'Now: whole run-throughs, every other day.'
}
