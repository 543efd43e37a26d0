import { Box, chakra, Flex, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Outline } from '../../ui/Outline'
import { Engraving } from '../../ui/Engraving'
import { Page } from '../../ui/Page'
import { Tick } from '../../ui/Tick'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { useStageKeys } from '../practice/useStageKeys'
import { useSlowReading } from './useSlowReading'

/** The first reading: click on, very slowly, once; one key marks the bar that tripped, afterwards the marks become passages. */
export function SlowReadingPage() {
  const id = Number(useParams().id)
  const piece = api.useQuery('get', '/api/pieces/{id}', { params: { path: { id } } })
  const [marks, setMarks] = useState<number[] | null>(null)
  if (!piece.data) return <Outline />
  return marks === null ? (
    <Reading piece={piece.data} done={setMarks} />
  ) : (
    <Suggested piece={piece.data} marks={marks} again={() => setMarks(null)} />
  )
}

function Reading({ piece, done }: { piece: Schemas['PieceView']; done: (marks: number[]) => void }) {
  const navigate = useNavigate()
  const [tempo, setTempo] = useState(piece.slowTempo)
  const reading = useSlowReading(piece, tempo, done)
  const press = () => (reading.bar === null ? void reading.start() : reading.mark())
  useStageKeys(
    {
      yes: press,
      no: press,
      pause: press,
      letters: {
        Enter: reading.end,
        Escape: () => void navigate(`/music/${piece.id}`),
        ArrowUp: () => reading.bar === null && setTempo(Math.min(400, tempo + 2)),
        ArrowDown: () => reading.bar === null && setTempo(Math.max(20, tempo - 2)),
      },
    },
    true,
  )
  const bar = reading.bar
  return (
    <Flex
      as="main"
      id="main"
      direction="column"
      className="stage"
      bg="stage"
      color="stageText"
      minH="100vh"
      px={{ base: '4', md: '10' }}
      py="6"
      gap="4"
    >
      <Text color="stageFaded">{piece.title} · slow first reading</Text>
      <Flex flex="1" align="center" gap="10" wrap="wrap">
        <Box flex="1" minW="320px">
          <chakra.h1 fontSize={{ base: '2.35rem', md: '3.29rem' }} lineHeight={1.15}>
            {bar === null
              ? 'Once, very slowly. The beat goes on.'
              : bar < piece.fromBar
                ? 'Counting in'
                : 'Any key marks the bar that tripped you.'}
          </chakra.h1>
          <Text fontSize="heading" color="stageFaded" mt="5" data-testid="marks" aria-live="polite">
            {reading.marks.length === 0 ? 'no bar marked yet' : `tripped: ${reading.marks.join(', ')}`}
          </Text>
          {piece.hasMusic && bar !== null && bar >= piece.fromBar && <Music piece={piece} bar={bar} />}
        </Box>
        <Flex direction="column" align="center" minW="320px">
          <Text color="stageFaded" fontSize="heading">
            bar
          </Text>
          <Text
            fontFamily="heading"
            fontWeight={600}
            fontSize="11.53rem"
            lineHeight={1}
            fontVariantNumeric="tabular-nums"
            data-testid="bar"
          >
            {bar === null || bar < piece.fromBar ? '–' : bar}
          </Text>
          <Text fontSize="2.35rem" mt="3">
            ♩ = {tempo}
          </Text>
          <Text color="stageFaded">of {piece.toBar}</Text>
        </Flex>
      </Flex>
      <Flex gap="3" wrap="wrap">
        <StageKey name={bar === null ? 'begin' : 'mark this bar'} keys="→" press={press} />
        {bar === null ? (
          <>
            <StageKey name="slower" keys="↓" press={() => setTempo(Math.max(20, tempo - 2))} />
            <StageKey name="faster" keys="↑" press={() => setTempo(Math.min(400, tempo + 2))} />
          </>
        ) : (
          <StageKey name="that is the end" keys="enter" press={reading.end} />
        )}
        <StageKey name="back to the piece" keys="esc" press={() => void navigate(`/music/${piece.id}`)} />
      </Flex>
    </Flex>
  )
}

/** The four bars one is in. */
function Music({ piece, bar }: { piece: Schemas['PieceView']; bar: number }) {
  const from = bar - ((bar - piece.fromBar) % 4)
  const to = Math.min(piece.toBar, from + 3)
  const bars = api.useQuery(
    'get',
    '/api/pieces/{id}/bars',
    { params: { path: { id: piece.id }, query: { from, to } } },
    { retry: false },
  )
  return bars.data ? (
    <Box mt="5" maxW="760px">
      <Engraving abc={bars.data.abc} label={`Bars ${from} to ${to}`} dark />
    </Box>
  ) : null
}

function StageKey({ keys, name, press }: { keys: string; name: string; press: () => void }) {
  return (
    <Press borderColor="stageEdge" minH="44px" fontWeight={500} _hover={{ bg: 'stageHover' }} onClick={press}>
      <Text as="span" fontWeight={700}>
        {keys}
      </Text>
      {name}
    </Press>
  )
}

interface SuggestedProps {
  piece: Schemas['PieceView']
  marks: number[]
  again: () => void
}

/** Marks as passages with suggested borders; each can be moved or left out. */
function Suggested({ piece, marks, again }: SuggestedProps) {
  const path = { id: piece.id }
  const suggested = api.useQuery('post', '/api/pieces/{id}/reading', { params: { path }, body: { marks } })
  return (
    <Page title={`${piece.title}: what tripped`}>
      {marks.length === 0 ? (
        <Text>Nothing was marked: then it can be played through, a little faster.</Text>
      ) : (
        suggested.data && <Borders piece={piece} start={suggested.data} />
      )}
      <Press mt="5" onClick={again}>
        Read once more
      </Press>
    </Page>
  )
}

function Borders({ piece, start }: { piece: Schemas['PieceView']; start: Schemas['SuggestedPassage'][] }) {
  const navigate = useNavigate()
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [rows, setRows] = useState(start.map((one) => ({ ...one, take: true })))
  const change = (i: number, part: Partial<(typeof rows)[number]>) =>
    setRows(rows.map((row, j) => (i === j ? { ...row, ...part } : row)))
  const taken = rows.filter((row) => row.take)
  const make = async () => {
    const path = { id: piece.id }
    const body = { passages: taken.map(({ from, to }) => ({ from, to, difficulty: '' })) }
    if (!(await run(() => ask(client.POST('/api/pieces/{id}/passages', { params: { path }, body }))))) return
    await saved()
    await navigate(`/music/${piece.id}`)
  }
  return (
    <>
      <Text color="faded" mb="3">
        One to four bars each. Move the borders to where the trouble begins and ends.
      </Text>
      {rows.map((row, i) => (
        <Flex key={i} gap="3" align="center" py="1.5" wrap="wrap">
          <Tick hideLabel label={`Take passage ${i + 1}`} on={row.take} set={(take) => change(i, { take })} />
          <Text>bars</Text>
          <Input
            type="number"
            width="86px"
            aria-label={`First bar of passage ${i + 1}`}
            value={row.from}
            onChange={(event) => change(i, { from: Number(event.target.value) })}
          />
          <Text>to</Text>
          <Input
            type="number"
            width="86px"
            aria-label={`Last bar of passage ${i + 1}`}
            value={row.to}
            onChange={(event) => change(i, { to: Number(event.target.value) })}
          />
        </Flex>
      ))}
      <Refusal problem={problem} />
      <Press look="strong" mt="3" disabled={taken.length === 0} onClick={() => make()}>
        Make {taken.length === 1 ? 'this passage' : `these ${taken.length} passages`}
      </Press>
    </>
  )
}
