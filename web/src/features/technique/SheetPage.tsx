import { Box, Flex, Grid, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { api, ask, client, refusalOf, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Outline } from '../../ui/Outline'
import { HearIt } from '../../sound/HearIt'
import { Engraving } from '../../ui/Engraving'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { printMusic } from '../../ui/print'
import { Refusal, useProblem } from '../../ui/refusal'
import { Tick } from '../../ui/Tick'
import { SheetChoice } from './SheetChoice'
import { save } from './save'

export type SheetWish = Schemas['SheetRequest']

const first: SheetWish = {
  figure: 'scale',
  kind: 'major',
  tonic: 'F',
  octaves: 2,
  order: 'UpAndDown',
  rhythm: 'eighth',
  joining: 'plain',
  tempo: 72,
  patternSize: 4,
  patternNumber: 8,
  pairedWith: null,
  shape: 'thirds',
  way: 'Up',
  lowest: '',
  highest: '',
  concert: false,
  names: false,
  hand: null,
  together: null,
}

/** Scales, arpeggios and patterns written out for one's instrument, heard, and kept as exercises. */
export function SheetPage() {
  const choices = api.useQuery('get', '/api/technique/choices')
  const [wish, setWish] = useState(first)
  const sheet = api.useQuery(
    'post',
    '/api/technique/sheet',
    { body: wish },
    {
      placeholderData: (before: Schemas['SheetView'] | undefined) => before,
      retry: false,
      enabled: choices.data?.isPitched ?? false,
    },
  )
  if (!choices.data) return <Outline />
  if (!choices.data.isPitched)
    return (
      <Page title="Sheets">
        <Empty>
          {choices.data.instrument} has no pitch, so there are no scales to write out. Grooves and rudiments
          are entered under Exercises.
        </Empty>
      </Page>
    )
  const refused = refusalOf(sheet.error)
  return (
    <Page
      title="Sheets"
      aside={
        <Text color="faded">
          for {choices.data.instrument}: written {choices.data.lowest} to {choices.data.highest}
        </Text>
      }
    >
      <Grid templateColumns={{ base: '1fr', lg: '300px minmax(0,1fr)' }} gap="8">
        <SheetChoice choices={choices.data} wish={wish} change={(part) => setWish({ ...wish, ...part })} />
        <Box minW="0">
          {refused && (
            <Text role="alert" color="wrong" fontWeight={600} mb="3">
              {refused}
            </Text>
          )}
          {sheet.data && !refused && <Shown sheet={sheet.data} wish={wish} />}
        </Box>
      </Grid>
    </Page>
  )
}

function Shown({ sheet, wish }: { sheet: Schemas['SheetView']; wish: SheetWish }) {
  const { problem, run } = useProblem()
  return (
    <>
      <Box
        bg="sheet"
        border="1px solid"
        borderColor="line"
        borderRadius="8px"
        p={{ base: '3', md: '6' }}
        className="sheet"
      >
        <Engraving abc={sheet.abc} label={`${sheet.title}, engraved`} />
      </Box>
      <Flex gap="3" mt="4" wrap="wrap" align="center">
        <HearIt notes={sheet.played} tempo={wish.tempo} />
        <KeepAsExercise sheet={sheet} wish={wish} />
        <Press look="quiet" onClick={() => run(() => save(wish, 'midi', sheet.title))}>
          as MIDI
        </Press>
        <Press look="quiet" onClick={() => run(() => save(wish, 'musicxml', sheet.title))}>
          as MusicXML
        </Press>
        <Press look="quiet" onClick={() => printMusic()}>
          on paper
        </Press>
      </Flex>
      <Refusal problem={problem} />
      <Sums sheet={sheet} wish={wish} />
    </>
  )
}

/** The arithmetic: how long it lasts, where the top note falls, the ladder of subdivisions at this click. */
function Sums({ sheet, wish }: { sheet: Schemas['SheetView']; wish: SheetWish }) {
  return (
    <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="8" mt="6">
      <Box>
        <Text fontWeight={700}>
          {sheet.notes} notes, {sheet.notesPerMinute} a minute; {seconds(sheet.seconds)} to the last bar line
        </Text>
        <Text color="faded">
          {sheet.sounds}
          {wish.concert && '; shown at concert pitch'}
        </Text>
        {sheet.topNote && <Text mt="1">{sheet.topNote}</Text>}
      </Box>
      <Box>
        <Text fontWeight={700} mb="1">
          At a click of {wish.tempo}, once through in
        </Text>
        {sheet.rungs.map((rung) => (
          <Flex key={rung.rhythm} justify="space-between" maxW="260px">
            <Text>{rung.name}</Text>
            <Text fontVariantNumeric="tabular-nums">{seconds(rung.seconds)}</Text>
          </Flex>
        ))}
        <Flex justify="space-between" maxW="260px" borderTop="1px solid" borderColor="line" mt="1">
          <Text color="faded">all of them</Text>
          <Text color="faded" fontVariantNumeric="tabular-nums">
            {seconds(sheet.ladderSeconds)}
          </Text>
        </Flex>
      </Box>
    </Grid>
  )
}

const seconds = (value: number) =>
  value >= 90 ? `${Math.floor(value / 60)} min ${Math.round(value % 60)} s` : `${Number(value.toFixed(1))} s`

function KeepAsExercise({ sheet, wish }: { sheet: Schemas['SheetView']; wish: SheetWish }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [kept, setKept] = useState('')
  const [inKeys, setInKeys] = useState(false)
  const keep = async () => {
    // The click at which it was tried is where it begins.
    const body = { sheet: wish, inAllKeys: inKeys, cleanAt: wish.tempo }
    const made = await run(() => ask(client.POST('/api/technique/exercises', { body })))
    if (!made) return
    setKept(sheet.title)
    await saved()
  }
  return (
    <>
      <Press disabled={kept === sheet.title} onClick={() => keep()}>
        {kept === sheet.title ? 'Kept as an exercise' : 'Keep as an exercise'}
      </Press>
      <Tick label="through all keys" on={inKeys} set={setInKeys} />
      <Refusal problem={problem} />
    </>
  )
}
