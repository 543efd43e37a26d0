import { Box, chakra, Flex, Grid, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import { api } from '../../api/client'
import { usePracticeDay } from '../../api/practiceDay'
import { Field } from '../../ui/Field'
import { Outline } from '../../ui/Outline'
import { Page } from '../../ui/Page'
import { Pick } from '../../ui/Pick'
import { Tick } from '../../ui/Tick'
import { dayAfter, sayDate } from '../../ui/words'
import { Closer } from './closer'
import { Balance, Counts, Days, Moved, Things } from './parts'

const lengths = [
  { id: '7', name: 'seven days' },
  { id: '28', name: 'four weeks' },
  { id: '84', name: 'twelve weeks' },
]

/** What a stretch of days was: each picture with the sentence that says what to see in it; beside any other of the same length. */
export function LookBackPage() {
  const today = usePracticeDay()
  const [length, setLength] = useState('28')
  const [last, setLast] = useState<string | null>(null)
  const [other, setOther] = useState<string | null>(null)
  const days = Number(length)
  const to = last ?? today
  const before = other ?? dayAfter(to, -days)
  const [isBeside, setBeside] = useState(false)
  return (
    <Page title="Look back">
      <Flex gap="4" align="end" wrap="wrap">
        <Field label="over" width="150px">
          <Pick
            value={length}
            options={lengths}
            pick={(now) => {
              setLength(now)
              setOther(null)
            }}
          />
        </Field>
        <Field label="up to" width="170px">
          <Input
            type="date"
            max={today}
            value={to}
            onChange={({ target }) => target.value && setLast(target.value)}
          />
        </Field>
        <Tick label="beside another stretch" on={isBeside} set={setBeside} minH="42px" />
        {isBeside && (
          <Field label="the other up to" width="170px">
            <Input
              type="date"
              max={today}
              value={before}
              onChange={({ target }) => target.value && setOther(target.value)}
            />
          </Field>
        )}
      </Flex>
      <Text mt="3">
        <Link to="/journal/take-along">One page to take along</Link>
      </Text>
      <Grid templateColumns={{ base: '1fr', lg: isBeside ? '1fr 1fr' : '1fr' }} gap="12" mt="6">
        <Stretch from={dayAfter(to, 1 - days)} to={to} isWide={!isBeside} />
        {isBeside && <Stretch from={dayAfter(before, 1 - days)} to={before} isWide={false} />}
      </Grid>
    </Page>
  )
}

function Stretch({ from, to, isWide }: { from: string; to: string; isWide: boolean }) {
  const look = api.useQuery('get', '/api/look-back', { params: { query: { from, to } } })
  if (!look.data) return <Outline />
  const { stuck, slipped, untouched } = look.data
  return (
    <Box as="section" aria-label={`${sayDate(from)} to ${sayDate(to)}`} minW="0">
      <chakra.h2 fontSize="heading" mb="3">
        {sayDate(from)} to {sayDate(to)}
      </chakra.h2>
      <Grid templateColumns={{ base: '1fr', md: isWide ? '1fr 1fr' : '1fr' }} columnGap="12" rowGap="7">
        <Balance look={look.data} />
        <Days look={look.data} />
        <Moved look={look.data} />
        <Box>
          <Things title="Does not move" things={stuck} words="Worked on for eight visits, and no faster." />
          <Things
            title="Slipped"
            things={slipped}
            words="It could be played, and was missed when it came back."
          />
          <Things title="Not touched" things={untouched} words="Under way, and not played in these days." />
          <Counts look={look.data} />
        </Box>
      </Grid>
      <Closer from={from} to={to} isWide={isWide} />
    </Box>
  )
}
