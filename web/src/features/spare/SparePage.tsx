import { Box, Flex, Input, Text } from '@chakra-ui/react'
import { keepPreviousData } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { colours } from '../../theme/colours'
import { Engraving } from '../../ui/Engraving'
import { Field } from '../../ui/Field'
import { Fold } from '../../ui/Fold'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refused, Refusal, useProblem } from '../../ui/refusal'
import { Select } from '../../ui/Select'
import { Tick } from '../../ui/Tick'
import { sayTempo } from '../../ui/words'
import { useStageKeys } from '../practice/useStageKeys'

type View = Schemas['SpareView']
type Thing = Schemas['SpareThing']

/** One short thing, whenever one passes the instrument: opened, done, gone. */
export function SparePage() {
  const [away, setAway] = useState(false)
  const [skip, setSkip] = useState<string[]>([])
  const spare = useSpare(away, skip)
  const { view } = spare
  if (!view) return <Outline />
  return (
    <Page title="A spare minute" problem={spare.problem}>
      <Box maxW="560px">
        <Count view={view} />
        {view.thing ? (
          <One
            key={view.thing.key + view.today}
            thing={view.thing}
            done={(right) => spare.done(view.thing!, right)}
            another={() => setSkip([...skip, view.thing!.key])}
          />
        ) : (
          <Empty>
            {skip.length > 0
              ? 'That was all there is for now.'
              : 'What is under way and below its target comes here, a time or two in passing. Play something first.'}
          </Empty>
        )}
        <Refusal />
        <Flex gap="5" mt="5" align="center" wrap="wrap">
          <Tick
            label="away from the instrument"
            on={away}
            set={(on) => {
              setAway(on)
              setSkip([])
            }}
          />
          {view.today > 0 && (
            <Press look="quiet" onClick={spare.back}>
              take the last one back
            </Press>
          )}
        </Flex>
        {view.most && <Text mt="3">{view.most}</Text>}
        <Wish key={`${view.aDay}${view.from}${view.until}`} view={view} />
      </Box>
    </Page>
  )
}

function useSpare(away: boolean, skip: string[]) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const query = { away, skip }
  const view = api.useQuery(
    'get',
    '/api/spare',
    { params: { query } },
    { placeholderData: keepPreviousData },
  ).data
  const change = async (act: () => Promise<unknown>) => {
    if (await run(act)) await saved()
  }
  return {
    view,
    problem,
    done: (thing: Thing, right: boolean | null) =>
      change(() =>
        ask(client.POST('/api/spare', { body: { id: crypto.randomUUID(), thing: thing.key, right } })),
      ),
    back: () => change(() => ask(client.DELETE('/api/spare/last'))),
  }
}

/** How many today, and a quiet row of dots for the week. */
function Count({ view }: { view: View }) {
  const said = view.today === 0 ? 'None yet today' : view.today === 1 ? 'One today' : `${view.today} today`
  return (
    <Flex gap="4" align="center" mb="4">
      <Text color="faded">
        {said}
        {view.waiting > 0 && (view.waiting === 1 ? ', one waits' : `, ${view.waiting} wait`)}
        {view.next && `, the next from ${view.next}`}.
      </Text>
      <svg width={7 * 14} height={14} role="img" aria-label={`Last seven days: ${view.week.join(', ')}`}>
        {view.week.map((count, i) => (
          <circle
            key={i}
            cx={7 + i * 14}
            cy={7}
            r={count === 0 ? 2 : 3 + Math.min(count, 3)}
            fill={count === 0 ? colours.line : colours.faded}
          />
        ))}
      </svg>
    </Flex>
  )
}

interface OneProps {
  thing: Thing
  done: (right: boolean | null) => Promise<void>
  another: () => void
}

function One({ thing, done, another }: OneProps) {
  const navigate = useNavigate()
  const isEar = thing.kind === 'Ear'
  const isMarked = thing.kind === 'Passage'
  const yes = () => (isEar ? void navigate('/ear?spare') : void done(isMarked ? true : null))
  useStageKeys(
    { yes, no: () => (isMarked ? void done(false) : another()), pause: () => {}, letters: { Enter: yes } },
    true,
  )
  return (
    <Box as="section" aria-label={thing.title}>
      <Text fontFamily="heading" fontSize="1.7rem" fontWeight={700} lineHeight={1.2}>
        {thing.title}
      </Text>
      {thing.tempo && (
        <Text fontSize="1.5rem" fontWeight={700} mt="1">
          {sayTempo(thing.tempo, thing.beat)}
        </Text>
      )}
      {thing.abc && <Engraving abc={thing.abc} label={thing.title} staffWidth={340} wrap />}
      <Text mt="2" fontSize="1.1em">
        {thing.how}
      </Text>
      <Text color="faded" mt="1">
        {[`${thing.seconds} seconds`, thing.why, thing.note].filter(Boolean).join(' · ')}
      </Text>
      <Flex gap="3" mt="4" wrap="wrap">
        <Press
          look="strong"
          minH="60px"
          px="8"
          fontSize="1.15em"
          flex="1"
          onClick={isEar ? yes : () => done(isMarked ? true : null)}
        >
          {isEar ? 'Hear it' : isMarked ? 'Clean' : 'Done'}
        </Press>
        {isMarked && (
          <Press minH="60px" px="6" fontSize="1.15em" onClick={() => done(false)}>
            Missed
          </Press>
        )}
        <Press look="quiet" minH="60px" onClick={another}>
          something else
        </Press>
      </Flex>
    </Box>
  )
}

/** How many a day, between which hours. */
function Wish({ view }: { view: View }) {
  const [isOpen, setOpen] = useState(false)
  const [wish, setWish] = useState({ aDay: view.aDay, from: view.from, until: view.until })
  const { problem, run } = useProblem()
  const saved = useSaved()
  const keep = async () => {
    if (!(await run(() => ask(client.PUT('/api/spare', { body: wish }))))) return
    await saved()
  }
  return (
    <Box mt="6">
      <Fold open={isOpen} toggle={() => setOpen(!isOpen)}>
        {view.aDay === 0 ? 'None are offered' : `${view.aDay} a day, ${view.from} to ${view.until}`}
      </Fold>
      {isOpen && (
        <Refused problem={problem}>
          <Text color="faded" maxW="60ch" mb="2">
            They count apart from the sittings: they help what one can do, and are never the first test of a
            day. <Link to="/">Today</Link> says how many wait.
          </Text>
          <Flex gap="3" align="end" wrap="wrap">
            <Field label="a day" name="aDay" width="100px">
              <Select
                value={wish.aDay}
                onChange={({ target }) => setWish({ ...wish, aDay: Number(target.value) })}
              >
                {[0, 2, 3, 4].map((count) => (
                  <option key={count} value={count}>
                    {count === 0 ? 'none' : count}
                  </option>
                ))}
              </Select>
            </Field>
            <Field label="from" name="from" width="146px">
              <Input
                type="time"
                value={wish.from}
                onChange={({ target }) => setWish({ ...wish, from: target.value })}
              />
            </Field>
            <Field label="until" name="until" width="146px">
              <Input
                type="time"
                value={wish.until}
                onChange={({ target }) => setWish({ ...wish, until: target.value })}
              />
            </Field>
            <Press onClick={keep}>Keep</Press>
          </Flex>
          <Refusal />
        </Refused>
      )}
    </Box>
  )
}
