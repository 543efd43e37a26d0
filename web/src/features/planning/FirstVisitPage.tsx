import { Box, chakra, Flex, Grid, Input, Text, Textarea } from '@chakra-ui/react'
import { keepPreviousData, useQueryClient } from '@tanstack/react-query'
import { useNavigate } from 'react-router'
import { keepBook } from '../../api/book'
import { usePracticeDay } from '../../api/practiceDay'
import { api, ask, client, Problem, type Schemas } from '../../api/client'
import { RoutineScore } from '../../ui/RoutineScore'
import { Field } from '../../ui/Field'
import { Page } from '../../ui/Page'
import { Whole } from '../../ui/NumberInput'
import { Press } from '../../ui/Press'
import { Refusal, RefusalOf, useProblem } from '../../ui/refusal'
import { useDraft } from '../../ui/useDraft'
import { weekdayNumber, weekdays } from '../../ui/words'
import { usePause } from '../../ui/usePause'
import { Found, InstrumentName, type Unknown } from './FoundInstrument'

/** What the server may say of a line. */
const ofPieces = ['title', 'fromBar', 'toBar', 'target', 'passages', 'pieceId', 'pieces', 'lines', 'examples']

interface Start {
  instrument: string
  unknown: Unknown
  minutes: number[]
  /** Pieces, one a line. */
  lines: string
  exercise: string
  book: string
}

const empty: Start = {
  instrument: '',
  unknown: { family: 'Other', lowest: '', highest: '' },
  minutes: [30, 30, 30, 30, 30, 30, 30],
  lines: '',
  exercise: '',
  book: '',
}

/** Instrument, minutes, what you are working on: a usable plan within two minutes, growing beside the typing. */
export function FirstVisitPage() {
  const navigate = useNavigate()
  const queries = useQueryClient()
  const { problem, run } = useProblem()
  const { draft: start, write: set, clear } = useDraft<Start>('first-visit', empty, true)
  const begin = async () => {
    keepBook('Own')
    if (!(await run(() => enter(start)))) return
    clear()
    await queries.resetQueries()
    await navigate('/')
  }
  const today = usePracticeDay()
  const minutes = start.minutes[weekdayNumber(today)] || 30
  const { lines, exercise, book, instrument } = start
  const look = useLook({ lines, minutes, exercise, book, instrument })
  const demo = async () => {
    keepBook('Demo')
    await queries.resetQueries()
    await navigate('/')
  }
  return (
    <Page
      problem={problem}
      title="Your first day"
      aside={
        <Flex gap="5" wrap="wrap">
          <Press look="quiet" onClick={() => navigate('/welcome/bring')}>
            I have a book already
          </Press>
          <Press look="quiet" onClick={() => demo()}>
            Look at the demo first
          </Press>
        </Flex>
      }
    >
      <Text maxW="64ch" mb="5" color="faded">
        Three things, and the first plan is ready. Everything can be changed later; only the instrument and
        the minutes are needed.
      </Text>
      <Grid templateColumns={{ base: '1fr', lg: '440px 1fr' }} columnGap="10">
        <Section number="1" title="What do you play?">
          <Box width="260px">
            <InstrumentName name={start.instrument} set={(instrument) => set({ instrument })} />
          </Box>
          <Found
            name={start.instrument}
            unknown={start.unknown}
            set={(part) => set({ unknown: { ...start.unknown, ...part } })}
          />
          <RefusalOf field="instrument" />
        </Section>
        <Section number="2" title="How many minutes do you have?">
          {weekdays.map((day, i) => (
            <Whole
              key={day}
              label={day}
              width="74px"
              value={start.minutes[i] ?? 0}
              set={(minutes) =>
                set({ minutes: start.minutes.map((old, at) => (at === i ? (minutes ?? 0) : old)) })
              }
            />
          ))}
          <RefusalOf field="weekdayMinutes" />
        </Section>
      </Grid>
      <Section number="3" title="What are you working on?">
        <Box flex="1 1 420px" maxW="620px">
          <Field
            label="Pieces, one a line"
            name={ofPieces}
            hint="like: Willow Waltz 48 bars 3/4 120, hard 9-12, 25-28"
          >
            <Textarea value={start.lines} rows={3} onChange={(event) => set({ lines: event.target.value })} />
          </Field>
        </Box>
        <Understood pieces={look.data?.pieces ?? []} />
        <Box flexBasis="100%" />
        <Field label="An exercise" hint={look.data?.exerciseWords || 'a scale, a pattern'} width="260px">
          <Input value={start.exercise} onChange={(event) => set({ exercise: event.target.value })} />
        </Field>
        <Field label="A book of easy music for sight reading" width="300px">
          <Input value={start.book} onChange={(event) => set({ book: event.target.value })} />
        </Field>
      </Section>
      {look.data && (
        <Section title="Your first plan">
          <Box flexBasis="100%" maxW="940px">
            <RoutineScore notes={look.data.drills} minutes={minutes} />
          </Box>
        </Section>
      )}
      <Refusal />
      <Press look="strong" minH="54px" px="7" fontSize="lead" onClick={() => begin()}>
        Make my first plan
      </Press>
    </Page>
  )
}

/** What is typed, read into pieces and planned from, whenever the hand pauses; what was seen before stays meanwhile. */
function useLook(typed: Schemas['FirstLinesWish']) {
  const body = JSON.parse(usePause(JSON.stringify(typed))) as Schemas['FirstLinesWish']
  return api.useQuery(
    'post',
    '/api/first-visit/look',
    { body },
    { placeholderData: keepPreviousData, throwOnError: false, retry: false },
  )
}

/** How each line was understood, to be confirmed by eye. */
function Understood({ pieces }: { pieces: Schemas['FirstPieceView'][] }) {
  return (
    <chakra.ul
      listStyleType="none"
      flex="1 1 300px"
      aria-label="As it was understood"
      aria-live="polite"
      pt="5"
    >
      {pieces.map((piece, i) => (
        <li key={i}>
          <b>{piece.title}</b>
          {piece.title && ': '}
          {piece.words}
          {piece.problem && <Box color="wrong">{piece.problem}</Box>}
        </li>
      ))}
    </chakra.ul>
  )
}

function Section({ number, title, children }: { number?: string; title: string; children: React.ReactNode }) {
  return (
    <Box as="section" borderTop="1px solid" borderColor="line" py="4" mb="2">
      <chakra.h2 fontSize="heading" mb="3">
        {number && (
          <chakra.span color="accent" mr="3">
            {number}
          </chakra.span>
        )}
        {title}
      </chakra.h2>
      <Flex gap="3" wrap="wrap" align="start">
        {children}
      </Flex>
    </Box>
  )
}

/** Enters everything at once: after a refusal nothing has been entered, and every field can be corrected. */
async function enter(start: Start) {
  const { found } = await ask(
    client.GET('/api/instruments', { params: { query: { name: start.instrument } } }),
  )
  const profile = {
    instrument: start.instrument,
    ...(found ? { family: null, lowest: '', highest: '' } : start.unknown),
    boundaryHour: 4,
    school: 'WideningGaps',
    mix: 'Shuffled',
    scaleMinutes: 20,
    a4: 440,
    naming: 'Letters',
    version: 0,
    underWay: 0,
  } as const
  const read = await ask(
    client.POST('/api/first-visit/look', {
      body: { lines: start.lines, minutes: 30, exercise: '', book: '', instrument: '' },
    }),
  )
  const body = {
    profile: { ...profile, weekdayMinutes: [...start.minutes] },
    pieces: read.pieces.map(({ title, bars, target, passages, beatsPerBar, beat }) => ({
      title,
      bars,
      target,
      passages,
      beatsPerBar,
      beat,
    })),
    exercise: start.exercise,
    book: start.book,
  }
  try {
    await ask(client.POST('/api/first-visit', { body }))
  } catch (error) {
    // Entered before, and its answer was lost on the way: there is a plan.
    if (!(error instanceof Problem) || error.field !== 'player') throw error
  }
  return true
}
