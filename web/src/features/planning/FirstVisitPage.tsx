import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { keepBook } from '../../api/book'
import { ask, client, Problem } from '../../api/client'
import { Field, Page, Press, Refusal, TextInput, useProblem } from '../../ui/fields'
import { Found, InstrumentName, type Unknown } from './FoundInstrument'

const days = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

interface Start {
  instrument: string
  unknown: Unknown
  minutes: number[]
  piece: string
  bars: string
  target: string
  passages: string
  exercise: string
  book: string
}

/** Instrument, minutes, what you are working on: a usable plan within two minutes. */
export function FirstVisitPage() {
  const navigate = useNavigate()
  const queries = useQueryClient()
  const { problem, run } = useProblem()
  const [start, setStart] = useState<Start>({
    instrument: '',
    unknown: { family: 'other', lowest: '', highest: '' },
    minutes: [30, 30, 30, 30, 30, 30, 30],
    piece: '',
    bars: '32',
    target: '',
    passages: '',
    exercise: '',
    book: '',
  })
  const set = (part: Partial<Start>) => setStart({ ...start, ...part })
  const begin = async () => {
    keepBook('Own')
    if (!(await run(() => enter(start)))) return
    await queries.resetQueries()
    await navigate('/')
  }
  const demo = async () => {
    keepBook('Demo')
    await queries.resetQueries()
    await navigate('/')
  }
  return (
    <Page
      title="Your first day"
      aside={
        <Press look="quiet" onClick={() => demo()}>
          Look at the demo first
        </Press>
      }
    >
      <Text maxW="64ch" mb="5" color="faded">
        Three things, and the first plan is ready. Everything can be changed later; only the instrument and
        the minutes are needed.
      </Text>
      <Section number="1" title="What do you play?">
        <Box width="260px">
          <InstrumentName name={start.instrument} set={(instrument) => set({ instrument })} />
        </Box>
        <Found
          name={start.instrument}
          unknown={start.unknown}
          set={(part) => set({ unknown: { ...start.unknown, ...part } })}
          problem={problem}
        />
        <Refusal problem={problem} field={['instrument', 'family']} />
      </Section>
      <Section number="2" title="How many minutes do you have?">
        {days.map((day, i) => (
          <Field key={day} label={day}>
            <TextInput
              type="number"
              min={0}
              max={240}
              width="74px"
              value={start.minutes[i]}
              onChange={(event) =>
                set({
                  minutes: start.minutes.map((old, at) => (at === i ? Number(event.target.value) : old)),
                })
              }
            />
          </Field>
        ))}
        <Refusal problem={problem} field="weekdayMinutes" />
      </Section>
      <Section number="3" title="What are you working on?">
        <Field label="A piece" width="230px">
          <TextInput value={start.piece} onChange={(event) => set({ piece: event.target.value })} />
        </Field>
        <Field label="Bars" width="80px">
          <TextInput
            type="number"
            value={start.bars}
            onChange={(event) => set({ bars: event.target.value })}
          />
        </Field>
        <Field label="Target tempo" width="110px">
          <TextInput
            type="number"
            value={start.target}
            onChange={(event) => set({ target: event.target.value })}
          />
        </Field>
        <Field label="Its hard bars" hint="like 9-10, 24" width="180px">
          <TextInput value={start.passages} onChange={(event) => set({ passages: event.target.value })} />
        </Field>
        <Box flexBasis="100%">
          <Refusal
            problem={problem}
            field={['title', 'fromBar', 'toBar', 'target', 'passages', 'pieceId', 'piece', 'examples']}
          />
        </Box>
        <Field label="An exercise" hint="a scale, a pattern" width="230px">
          <TextInput value={start.exercise} onChange={(event) => set({ exercise: event.target.value })} />
        </Field>
        <Field label="A book of easy music for sight reading" width="300px">
          <TextInput value={start.book} onChange={(event) => set({ book: event.target.value })} />
        </Field>
      </Section>
      <Refusal problem={problem} field={['server', 'version', 'request']} />
      <Press look="strong" minH="54px" px="7" fontSize="18px" onClick={() => begin()}>
        Make my first plan
      </Press>
    </Page>
  )
}

function Section({ number, title, children }: { number: string; title: string; children: React.ReactNode }) {
  return (
    <Box as="section" borderTop="1px solid" borderColor="line" py="4" mb="2">
      <chakra.h2 fontSize="24px" mb="3">
        <chakra.span color="accent" mr="3">
          {number}
        </chakra.span>
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
    ...(found ? { family: '', lowest: '', highest: '' } : start.unknown),
    boundaryHour: 4,
    school: 'WideningGaps',
    mix: 'Shuffled',
    scaleMinutes: 20,
    a4: 440,
    naming: 'Letters',
    version: 0,
    underWay: 0,
  } as const
  const passages = [...start.passages.matchAll(/(\d+)(?:\s*[-–]\s*(\d+))?/g)].map(([, from, to]) => ({
    from: Number(from),
    to: Number(to ?? from),
  }))
  const target = start.target ? Number(start.target) : null
  const body = {
    profile: { ...profile, weekdayMinutes: [...start.minutes] },
    piece: start.piece.trim() ? { title: start.piece, bars: Number(start.bars), target, passages } : null,
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
