import { Box, chakra, Flex, Grid, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { usePracticeDay } from '../../api/practiceDay'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Field } from '../../ui/Field'
import { NumberInput } from '../../ui/NumberInput'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { Pick } from '../../ui/Pick'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Select } from '../../ui/Select'
import { Tick } from '../../ui/Tick'
import { sayDay } from '../../ui/words'
import { addressOf, noWish } from './wish'

type Book = Schemas['ReadingBook']

const sources: { id: Schemas['ReadingSource']; name: string }[] = [
  { id: 'InTurn', name: 'books and new music in turn' },
  { id: 'Books', name: 'books, as long as they last' },
  { id: 'NewMusic', name: 'new music' },
]

const levels = 12

/** Sight reading: where one stands in each strand, what was read, and something new at any time. */
export function ReadingPage() {
  const book = api.useQuery('get', '/api/reading')
  const saved = useSaved()
  const { problem, run } = useProblem()
  if (!book.data) return <Outline />
  const { count, words, source, past } = book.data
  const setSource = (to: Schemas['ReadingSource']) =>
    run(async () => {
      await ask(client.PUT('/api/reading/source', { body: { source: to } }))
      await saved()
    })
  return (
    <Page title="Sight reading">
      <Text maxW="70ch">
        Music that nobody has played, at your level, never the same twice. The click does not wait; what
        counts is bars on time. {words}
      </Text>
      <Wishes />
      <Grid templateColumns={{ base: '1fr', lg: '1fr 1fr' }} gap="10" mt="7">
        <Strands book={book.data} />
        <Box as="section" aria-label="Read so far">
          <chakra.h2 fontSize="subheading" borderBottom="2px solid" borderColor="ink" pb="1">
            {count === 0 ? 'Nothing read yet' : count === 1 ? 'One piece read' : `${count} pieces read`}
          </chakra.h2>
          {count === 0 && <Empty>The first few find out where you stand; do not mind how they go.</Empty>}
          {past.length > 1 && <Picture past={past} />}
          <Past past={past} />
        </Box>
      </Grid>
      <Field label="In the plan unseen music comes from" width="280px" mt="7">
        <Pick value={source} options={sources} pick={(to) => void setSource(to)} />
      </Field>
      <Refusal problem={problem} />
      <Range book={book.data} />
    </Page>
  )
}

/** A reading by itself, with what one wishes of it. */
function Wishes() {
  const navigate = useNavigate()
  const choices = api.useQuery('get', '/api/technique/choices')
  const todays = api.useQuery('get', '/api/today', undefined, { throwOnError: false }).data?.techniqueKey
  const [wish, setWish] = useState(noWish)
  const set = (part: Partial<typeof wish>) => setWish({ ...wish, ...part })
  const instrument = choices.data?.instrument ?? ''
  return (
    <Flex gap="4" mt="4" wrap="wrap" align="end">
      <Press look="strong" minH="44px" onClick={() => navigate(addressOf(wish))}>
        Read something new
      </Press>
      {choices.data?.isPitched && (
        <Field label="key" width="150px">
          <Select value={wish.key} onChange={(event) => set({ key: event.target.value })}>
            <option value="">of my level</option>
            {todays && <option value={todays}>today’s: {todays}</option>}
            {choices.data.tonics.flatMap((tonic) =>
              ['major', 'minor'].map((mode) => <option key={tonic + mode}>{`${tonic} ${mode}`}</option>),
            )}
          </Select>
        </Field>
      )}
      <Field label="bars, 0 for my level" width="150px">
        <NumberInput
          label="bars, 0 for my level"
          value={wish.bars}
          min={0}
          max={16}
          width="100%"
          onChange={(bars) => set({ bars })}
        />
      </Field>
      {choices.data?.family === 'Plucked' && (
        <Field label="position" width="130px">
          <Select
            value={wish.position ?? ''}
            onChange={(event) =>
              set({ position: event.target.value === '' ? null : Number(event.target.value) })
            }
          >
            <option value="">anywhere</option>
            {Array.from({ length: 13 }, (_, fret) => (
              <option key={fret}>{fret}</option>
            ))}
          </Select>
        </Field>
      )}
      {instrument.toLowerCase().includes('clarinet') && (
        <Tick label="over the break" on={wish.overTheBreak} set={(overTheBreak) => set({ overTheBreak })} />
      )}
      {choices.data?.isPitched && (
        <Tick label="chord symbols" on={wish.chordSymbols} set={(chordSymbols) => set({ chordSymbols })} />
      )}
    </Flex>
  )
}

/** Between which notes one reads at ease. */
function Range({ book }: { book: Book }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [lowest, setLowest] = useState(book.lowest)
  const [highest, setHighest] = useState(book.highest)
  // Without pitch there is one strand and no range.
  if (book.strands.length === 1) return null
  const keep = () =>
    run(async () => {
      await ask(client.PUT('/api/reading/range', { body: { lowest, highest } }))
      await saved()
    })
  return (
    <Box mt="5">
      <Flex gap="3" align="end" wrap="wrap">
        <Field label="I read from" width="110px" name="lowest" hint="A3, or empty">
          <Input value={lowest} onChange={(event) => setLowest(event.target.value)} />
        </Field>
        <Field label="to" width="110px" name="highest" hint="E5, or empty">
          <Input value={highest} onChange={(event) => setHighest(event.target.value)} />
        </Field>
        <Press disabled={lowest === book.lowest && highest === book.highest} onClick={keep}>
          Keep this range
        </Press>
      </Flex>
      <Refusal problem={problem} />
    </Box>
  )
}

function Strands({ book }: { book: Book }) {
  return (
    <Box as="section" aria-label="Levels">
      <chakra.h2 fontSize="subheading" borderBottom="2px solid" borderColor="ink" pb="1">
        Levels, 1 to 12
      </chakra.h2>
      {book.strands.map(({ strand, name, level, sure }) => (
        <Box key={strand} py="2" borderBottom="1px solid" borderColor="line">
          <Flex justify="space-between">
            <Text fontWeight={600}>{name}</Text>
            <Text>
              {level.toFixed(1)}{' '}
              <chakra.span color="faded">
                {Math.max(1, level - sure).toFixed(1)} to {Math.min(levels, level + sure).toFixed(1)}
              </chakra.span>
            </Text>
          </Flex>
          <Box position="relative" height="10px" bg="line" borderRadius="5px" mt="1" aria-hidden>
            <Box
              position="absolute"
              height="100%"
              bg="accent"
              opacity={0.35}
              borderRadius="5px"
              left={`${(100 * (Math.max(1, level - sure) - 1)) / (levels - 1)}%`}
              right={`${100 - (100 * (Math.min(levels, level + sure) - 1)) / (levels - 1)}%`}
            />
            <Box
              position="absolute"
              height="100%"
              width="4px"
              bg="accent"
              left={`calc(${(100 * (Math.min(levels, Math.max(1, level)) - 1)) / (levels - 1)}% - 2px)`}
            />
          </Box>
        </Box>
      ))}
      <Text color="faded" fontSize="0.92em" mt="2">
        At its level five bars of six come on time. The weak strand is asked most; the others are easier then.
      </Text>
    </Box>
  )
}

/** The level over the readings, the newest on the right. */
function Picture({ past }: { past: Book['past'] }) {
  const points = [...past].reverse().map(({ overall }, i, all) => ({
    x: all.length === 1 ? 0 : (i / (all.length - 1)) * 300,
    y: 80 - ((overall - 1) / (levels - 1)) * 80,
  }))
  const last = past[0]!.overall
  return (
    <chakra.svg
      viewBox="-4 -6 352 92"
      width="100%"
      maxW="420px"
      role="img"
      aria-label={`Level over ${past.length} readings, now ${last.toFixed(1)}`}
      mt="3"
    >
      <line x1="0" x2="300" y1="80" y2="80" stroke="currentColor" strokeOpacity="0.25" />
      <line x1="0" x2="300" y1="0" y2="0" stroke="currentColor" strokeOpacity="0.25" />
      <polyline
        points={points.map(({ x, y }) => `${x},${y}`).join(' ')}
        fill="none"
        stroke="currentColor"
        strokeWidth="2"
      />
      <text x="306" y={points.at(-1)!.y + 4} fontSize="11" fill="currentColor">
        {last.toFixed(1)}
      </text>
    </chakra.svg>
  )
}

function Past({ past }: { past: Book['past'] }) {
  const today = usePracticeDay()
  return (
    <chakra.ol listStyleType="none" mt="2">
      {past.slice(0, 10).map((one) => (
        <Flex as="li" key={one.id} gap="4" py="1.5" borderBottom="1px solid" borderColor="line">
          <Text flex="1">{one.title}</Text>
          <Text minW="60px">
            {one.right} of {one.bars}
          </Text>
          <Text color="faded" minW="180px" textAlign="right">
            {sayDay(one.day, today)}
          </Text>
        </Flex>
      ))}
    </chakra.ol>
  )
}
