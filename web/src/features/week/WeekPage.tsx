import { Box, Grid, Text, chakra } from '@chakra-ui/react'
import { Link } from 'react-router'
import { api, type Schemas } from '../../api/client'
import { Outline } from '../../ui/Outline'
import { Tines } from '../../ui/Tines'
import { Empty, Page } from '../../ui/Page'
import { sayDay } from '../../ui/words'
import { Goals } from './Goals'

/** What lies ahead, performances and goals, and what the last seven days gave each area. */
export function WeekPage() {
  const week = api.useQuery('get', '/api/week')
  if (!week.data) return <Outline />
  const { balance, dates, day } = week.data
  return (
    <Page title="The week">
      <Grid templateColumns={{ base: '1fr', lg: 'minmax(0,1fr) 300px' }} columnGap="12" rowGap="8">
        <Box minW="0">
          <chakra.h2 fontSize="heading" mb="1">
            Dates
          </chakra.h2>
          {dates.length === 0 && (
            <Empty>
              No performance is set. Give a piece its day in <Link to="/music">Music</Link>, and the way there
              is reckoned backwards from it.
            </Empty>
          )}
          {dates.map((one) => (
            <Ahead key={one.pieceId} date={one} today={day} />
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

/** One performance: how far away, what the day is for on its way, and the sum. */
function Ahead({ date, today }: { date: Schemas['DateView']; today: string }) {
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
