import { Box, Flex, Grid, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { useChoices } from '../../api/choices'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { Field } from '../../ui/Field'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Pick } from '../../ui/Pick'
import { sayBars, sayDay, sayTempo } from '../../ui/words'
import { BarMap, type Range } from './BarMap'
import { Decided } from './Decided'
import { Offers } from './Offers'
import { Missing } from './Missing'
import { MusicIn } from './MusicIn'
import { MusicPanel } from './MusicPanel'
import { Pages } from './Pages'
import { PieceRecordings } from './PieceRecordings'
import { ReadinessGrid } from './ReadinessGrid'
import { TargetAsk } from './TargetAsk'

/** A piece: its bars, how far each passage is, what is still missing, and whether it will be ready on its day. */
export function PiecePage() {
  const id = Number(useParams().id)
  const piece = api.useQuery('get', '/api/pieces/{id}', { params: { path: { id } } }, { retry: false })
  if (piece.isError && !piece.data)
    return (
      <Page title="No such piece">
        <Link to="/music">To all music</Link>
      </Page>
    )
  return piece.data ? <Piece piece={piece.data} /> : <Outline />
}

function Piece({ piece }: { piece: Schemas['PieceView'] }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [range, setRange] = useState<Range | null>(null)
  const [chosen, setChosen] = useState<number | null>(null)
  // The one at hand stays, also when its rating changes under it.
  const [inHand] = useState(piece.inHand)
  const passage = piece.passages.find((one) => one.id === (chosen ?? inHand ?? piece.inHand))
  const shown =
    range ??
    (passage
      ? { from: passage.fromBar, to: passage.toBar }
      : { from: piece.fromBar, to: Math.min(piece.toBar, piece.fromBar + 3) })
  const done = () => saved()
  const rate = async (passageId: number, readiness: Schemas['Readiness']) => {
    const path = { id: passageId }
    await run(() =>
      ask(client.PUT('/api/pieces/passages/{id}/rating', { params: { path }, body: { readiness } })),
    )
    await done()
  }
  const make = async () => {
    if (!range) return
    const path = { id: piece.id }
    const body = { passages: [{ from: range.from, to: range.to, difficulty: '' }] }
    const made = await run(() => ask(client.POST('/api/pieces/{id}/passages', { params: { path }, body })))
    if (!made) return
    setChosen(made[0] ?? null)
    setRange(null)
    await done()
  }
  const known = range && piece.passages.some((one) => one.fromBar === range.from && one.toBar === range.to)
  return (
    <Page
      title={piece.title}
      aside={
        <Flex gap="4" align="center" wrap="wrap">
          <Text color="faded">
            {piece.toBar} bars{piece.target ? ` · target ${sayTempo(piece.target, piece.beat)}` : ''}
            {piece.performance ? ` · performance ${sayDay(piece.performance, piece.today)}` : ''}
          </Text>
          <ReadSlowly to={`/music/${piece.id}/read`}>Read through slowly</ReadSlowly>
        </Flex>
      }
    >
      <Grid
        templateColumns={{ base: '1fr', lg: 'minmax(0, 590px) minmax(0, 1fr)' }}
        columnGap="10"
        rowGap="6"
      >
        <Box>
          {piece.target === null && <WithoutTarget piece={piece} />}
          <BarMap piece={piece} selected={range} select={setRange} />
          <Flex mt="3" gap="3" align="center" minH="42px" wrap="wrap">
            {range && !known ? (
              <Press onClick={() => make()}>Make a passage of {sayBars(range)}</Press>
            ) : (
              <Text color="faded" fontSize="0.92em">
                Press a bar, then another, to choose what lies between.
              </Text>
            )}
          </Flex>
          <Refusal problem={problem} />
          {piece.hasMusic && <MusicPanel piece={piece} range={shown} />}
          <MusicIn piece={piece} />
          <Pages piece={piece} />
          <PieceRecordings piece={piece} passage={passage} />
        </Box>
        <Box minW="0">
          {piece.passages.length === 0 ? (
            <Empty>
              No passages yet. Read it through slowly once and mark what trips, or choose bars in the map:
              hard places of one to four bars, not lines.
            </Empty>
          ) : (
            <Box overflowX="auto">
              <ReadinessGrid
                piece={piece}
                chosen={passage?.id ?? null}
                choose={setChosen}
                rate={(one, to) => void rate(one, to)}
              />
            </Box>
          )}
          {passage && passage.readiness !== 'Ready' && <Missing key={passage.id} passage={passage} />}
          {passage && <Decided key={`decided ${passage.id}`} piece={piece} passage={passage} />}
          {passage && <Offers key={`offers ${passage.id}`} passage={passage} />}
          {piece.plan && <Plan piece={piece} />}
          <School piece={piece} />
        </Box>
      </Grid>
    </Page>
  )
}

/** Without a target nothing can be ready: what its music says is proposed, else it is typed or tapped. */
function WithoutTarget({ piece }: { piece: Schemas['PieceView'] }) {
  const { proposed } = piece
  return (
    <Flex as="section" aria-label="Target tempo" gap="4" align="end" wrap="wrap" mb="4">
      <Text maxW="36ch">
        How fast should it go in the end?{' '}
        {proposed &&
          (proposed.marked
            ? `Its music says ${sayTempo(proposed.tempo, piece.beat)}.`
            : `${sayTempo(proposed.tempo, piece.beat)} would be moderate for so many notes.`)}
      </Text>
      <TargetAsk key={proposed?.tempo ?? 0} id={piece.id} proposed={proposed?.tempo ?? null} />
    </Flex>
  )
}

/** What the performance needs against what there is; where it does not fit, what could rest until after it. */
function Plan({ piece }: { piece: Schemas['PieceView'] }) {
  const plan = piece.plan!
  const saved = useSaved()
  const { problem, run } = useProblem()
  const rest = async (id: number) => {
    const body = { until: plan.restUntil }
    await run(() => ask(client.PUT('/api/pieces/passages/{id}/rest', { params: { path: { id } }, body })))
    await saved()
  }
  return (
    <Box as="section" aria-label="Performance" mt="6">
      <Text color={plan.fits ? undefined : 'wrong'} fontWeight={plan.fits ? 400 : 600}>
        {piece.planWords}
      </Text>
      <Text color="faded" mt="1">
        Passages until {sayDay(plan.sectionsFrom)}, then joined sections, whole run-throughs from{' '}
        {sayDay(plan.runsFrom)}.
      </Text>
      {plan.leaveOut.length > 0 && (
        <>
          <Text mt="2">It would fit without:</Text>
          <chakra.ul listStyleType="none">
            {plan.leaveOut.map((one) => (
              <chakra.li
                key={one.words}
                display="flex"
                gap="3"
                alignItems="center"
                minH="38px"
                flexWrap="wrap"
              >
                {one.title && `${one.title}: `}
                {one.words}
                {one.materialId !== null && (
                  <Press look="quiet" minH="34px" onClick={() => rest(one.materialId!)}>
                    Let {one.title} rest until after it
                  </Press>
                )}
              </chakra.li>
            ))}
          </chakra.ul>
          <Refusal problem={problem} />
        </>
      )}
    </Box>
  )
}

function School({ piece }: { piece: Schemas['PieceView'] }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const { schools } = useChoices()
  const set = async (value: string) => {
    const path = { id: piece.id }
    const body = { school: (value as Schemas['School']) || null }
    await run(() => ask(client.PUT('/api/pieces/{id}/school', { params: { path }, body })))
    await saved()
  }
  return (
    <Box mt="6" maxW="380px">
      <Field label="Its passages come back">
        <Pick
          value={piece.school ?? ''}
          options={schools}
          pick={(school) => void set(school)}
          none="as everywhere"
        />
      </Field>
      <Refusal problem={problem} />
    </Box>
  )
}

const ReadSlowly = chakra(Link, {
  base: {
    border: '1.5px solid',
    borderColor: 'ink',
    borderRadius: '6px',
    px: '4',
    minH: '42px',
    display: 'inline-flex',
    alignItems: 'center',
    fontWeight: 600,
    _hover: { bg: 'ink/7' },
  },
})
