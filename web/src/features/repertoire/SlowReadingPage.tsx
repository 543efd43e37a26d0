import { Box, chakra, Flex, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useParams } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Outline } from '../../ui/Outline'
import { DeskFrame } from '../practice/DeskFrame'
import { DeskKey } from '../practice/DeskKey'
import { StageMusic } from '../practice/StageMusic'
import { useDesk, type Leave } from '../practice/useDesk'
import { Page } from '../../ui/Page'
import { Tick } from '../../ui/Tick'
import { Press } from '../../ui/Press'
import { Bars } from '../../ui/Bars'
import { Refusal, useProblem } from '../../ui/refusal'
import { useTitle } from '../../ui/usePageChange'
import { useSettled } from '../practice/useSettled'
import { useStageKeys } from '../practice/useStageKeys'
import { useSlowReading } from './useSlowReading'

/** The first reading: click on, very slowly, once; one key marks the bar that tripped, afterwards the marks become passages. */
export function SlowReadingPage() {
  const id = Number(useParams().id)
  const piece = api.useQuery('get', '/api/pieces/{id}', { params: { path: { id } } })
  const [marks, setMarks] = useState<number[] | null>(null)
  const leave = useDesk('SlowReading', id, { name: 'back to the piece', to: `/music/${id}` })
  if (!piece.data) return <Outline />
  if (marks === null) return <Reading piece={piece.data} done={setMarks} leave={leave} />
  return marks.length === 0 ? (
    <NothingMarked piece={piece.data} leave={leave} mark={setMarks} again={() => setMarks(null)} />
  ) : (
    <Suggested piece={piece.data} marks={marks} leave={leave} again={() => setMarks(null)} />
  )
}

interface NothingProps {
  piece: Schemas['PieceView']
  leave: Leave
  mark: (marks: number[]) => void
  again: () => void
}

/** No bar was marked: that may mean that all went well, or that nobody pressed; it is asked. */
function NothingMarked({ piece, leave, mark, again }: NothingProps) {
  const [wrong, setWrong] = useState<number[] | null>(null)
  const settled = useSettled(wrong === null ? 'ask' : 'mark')
  const yes = () => (wrong === null ? void leave.go(true) : wrong.length > 0 && mark(wrong))
  const no = () => (wrong === null ? setWrong([]) : again())
  useStageKeys(
    {
      yes: () => settled(yes),
      no: () => settled(no),
      pause: () => {},
      letters: { Escape: () => void leave.go(false) },
    },
    true,
  )
  useTitle(`${piece.title}, how was it`)
  const toggle = (bar: number) =>
    setWrong((all = []) => (all!.includes(bar) ? all!.filter((one) => one !== bar) : [...all!, bar]))
  return (
    <DeskFrame>
      <Text color="stageFaded">{piece.title} · slow first reading</Text>
      <Box my="auto">
        <chakra.h1 fontSize={{ base: '2.1rem', md: '3rem' }} lineHeight={1.15} mb="6">
          {wrong === null ? 'No bar was marked. Did it go through?' : 'Which bars tripped you? Touch them.'}
        </chakra.h1>
        {wrong !== null && (
          <Bars from={piece.fromBar} count={piece.toBar - piece.fromBar + 1} wrong={wrong} toggle={toggle} />
        )}
      </Box>
      <Flex gap="3" wrap="wrap">
        {wrong === null ? (
          <>
            <DeskKey name="it went through" keys="→" press={yes} />
            <DeskKey name="some bars tripped me" keys="←" press={no} />
          </>
        ) : (
          <>
            <DeskKey name="go on with these" keys="→" press={yes} />
            <DeskKey name="read it again" keys="←" press={no} />
          </>
        )}
        <DeskKey name="I stopped: keep nothing" keys="esc" press={() => void leave.go(false)} />
      </Flex>
    </DeskFrame>
  )
}

/** What the marks are for, beside the bar at hand. */
const saying = (bar: number | null, first: number) =>
  bar === null
    ? 'Once, very slowly. The beat goes on.'
    : bar < first
      ? 'Counting in'
      : 'Any key marks the bar that tripped you.'

interface ReadingProps {
  piece: Schemas['PieceView']
  done: (marks: number[]) => void
  leave: Leave
}

function Reading({ piece, done, leave }: ReadingProps) {
  const [tempo, setTempo] = useState(piece.slowTempo)
  const reading = useSlowReading(piece, tempo, done)
  const press = () => (reading.bar === null ? void reading.start() : reading.mark())
  const bar = reading.bar
  const leaving = () => (reading.marks.length > 0 ? reading.end() : void leave.go(false))
  const faster = (beats: number) => bar === null && setTempo(Math.min(400, Math.max(20, tempo + beats)))
  useStageKeys(
    {
      yes: press,
      no: press,
      pause: press,
      letters: {
        Enter: reading.end,
        // What was marked is looked at first; leaving it from there is one press more.
        Escape: leaving,
        ArrowUp: () => faster(2),
        ArrowDown: () => faster(-2),
      },
    },
    true,
  )
  useTitle(`${piece.title}, slow first reading`)
  const marked = reading.marks.length === 0 ? 'no bar marked yet' : `tripped: ${reading.marks.join(', ')}`
  return (
    <DeskFrame>
      <Text color="stageFaded">{piece.title} · slow first reading</Text>
      <Flex
        align="center"
        gap="8"
        wrap="wrap"
        justify="space-between"
        flex={piece.hasMusic ? undefined : '1'}
      >
        <Box flex="1" minW="320px">
          <chakra.h1 fontSize={{ base: '2.1rem', md: '3rem' }} lineHeight={1.15}>
            {saying(bar, piece.fromBar)}
          </chakra.h1>
          <Text fontSize="heading" color="stageFaded" mt="3" data-testid="marks" aria-live="polite">
            {marked}
          </Text>
        </Box>
        <Flex align="baseline" gap="5">
          <Text color="stageFaded" fontSize="heading">
            bar
          </Text>
          <Text
            fontFamily="heading"
            fontWeight={600}
            fontSize={piece.hasMusic ? '7rem' : '11.53rem'}
            lineHeight={1}
            fontVariantNumeric="tabular-nums"
            data-testid="bar"
          >
            {bar === null || bar < piece.fromBar ? '–' : bar}
          </Text>
          <Box>
            <Text color="stageFaded">of {piece.toBar}</Text>
            <Text fontSize="2rem">♩ = {tempo}</Text>
          </Box>
        </Flex>
      </Flex>
      {piece.hasMusic && <Music piece={piece} bar={Math.max(piece.fromBar, bar ?? piece.fromBar)} />}
      <Flex gap="3" wrap="wrap" mt="auto">
        <DeskKey name={bar === null ? 'begin' : 'mark this bar'} keys="→" press={press} />
        {bar === null ? (
          <>
            <DeskKey name="slower" keys="↓" press={() => faster(-2)} />
            <DeskKey name="faster" keys="↑" press={() => faster(2)} />
          </>
        ) : (
          <DeskKey name="that is the end" keys="enter" press={reading.end} />
        )}
        <DeskKey
          name={reading.marks.length > 0 ? 'stop, with these marks' : leave.name}
          keys="esc"
          press={leaving}
        />
      </Flex>
    </DeskFrame>
  )
}

/** Bars of one line. */
const barsInLine = 4

/** The line one is in, as large as the width allows, and the one that comes next. */
function Music({ piece, bar }: { piece: Schemas['PieceView']; bar: number }) {
  const from = bar - ((bar - piece.fromBar) % barsInLine)
  return (
    <Box flex="1">
      {[from, from + barsInLine]
        .filter((first) => first <= piece.toBar)
        .map((first) => (
          <Box key={first} opacity={first === from ? 1 : 0.7} mb="3">
            <Line piece={piece} from={first} />
          </Box>
        ))}
    </Box>
  )
}

function Line({ piece, from }: { piece: Schemas['PieceView']; from: number }) {
  const to = Math.min(piece.toBar, from + barsInLine - 1)
  const params = { path: { id: piece.id }, query: { from, to } }
  const bars = api.useQuery('get', '/api/pieces/{id}/bars', { params }, { retry: false })
  return bars.data ? <StageMusic abc={bars.data.abc} label={`Bars ${from} to ${to}`} /> : null
}

interface SuggestedProps {
  piece: Schemas['PieceView']
  marks: number[]
  leave: Leave
  again: () => void
}

/** Marks as passages with suggested borders; each can be moved or left out. */
function Suggested({ piece, marks, leave, again }: SuggestedProps) {
  const path = { id: piece.id }
  const suggested = api.useQuery('post', '/api/pieces/{id}/reading', { params: { path }, body: { marks } })
  return (
    <Page title={`${piece.title}: what tripped`}>
      {suggested.data && <Borders piece={piece} start={suggested.data} leave={leave} again={again} />}
    </Page>
  )
}

interface BordersProps {
  piece: Schemas['PieceView']
  start: Schemas['SuggestedPassage'][]
  leave: Leave
  again: () => void
}

function Borders({ piece, start, leave, again }: BordersProps) {
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
    await leave.go(true)
  }
  const settled = useSettled('borders')
  useStageKeys(
    {
      yes: () => settled(() => taken.length > 0 && void make()),
      no: () => settled(again),
      pause: () => {},
      letters: { Escape: () => void leave.go(false) },
    },
    true,
  )
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
      <Flex gap="3" mt="5" wrap="wrap" align="center">
        <Press look="strong" disabled={taken.length === 0} onClick={() => make()}>
          → make {taken.length === 1 ? 'this passage' : `these ${taken.length} passages`}
        </Press>
        <Press onClick={again}>← read it again</Press>
        <Press look="quiet" onClick={() => void leave.go(false)}>
          esc without passages
        </Press>
      </Flex>
    </>
  )
}
