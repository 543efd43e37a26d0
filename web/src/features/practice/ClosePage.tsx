import { Box, chakra, Flex, Grid, Input, Text, Textarea } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, Navigate, useNavigate } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Outline } from '../../ui/Outline'
import { RoutineScore } from '../../ui/RoutineScore'
import { DemoWord } from '../../ui/DemoWord'
import { Field } from '../../ui/Field'
import { Page } from '../../ui/Page'
import { Tick } from '../../ui/Tick'
import { Phrases, withPhrase } from '../../ui/Phrases'
import { Press } from '../../ui/Press'
import { Refusal, useProblem, RefusalOf } from '../../ui/refusal'
import { Select } from '../../ui/Select'
import { sayDay, sayMinutes } from '../../ui/words'
import { ApartOffers } from '../recording/Apart'
import { CloseLine } from './CloseLine'
import { LeftOver } from './LeftOver'
import { RatingQuestion } from './RatingQuestion'
import { TargetQuestion } from './TargetQuestion'
import { useCloseDraft, type CloseDraft } from './useCloseDraft'

type Session = Schemas['SessionView']

/** Planned against played, a line for each drill, what comes tomorrow, and the body. */
export function ClosePage() {
  const session = api.useQuery('get', '/api/session')
  const draft = useCloseDraft(session.data?.id)
  const [closed, setClosed] = useState<Schemas['CloseView'] | null>(null)
  if (closed) return <Closed view={closed} />
  if (draft.left) return <LeftOver left={draft.left} discard={draft.clear} forget={draft.forget} />
  if (!session.isFetched) return <Outline />
  if (!session.data) return <Navigate to="/" replace />
  return <CloseForm session={session.data} draft={draft} closed={setClosed} />
}

interface FormProps {
  session: Session
  draft: CloseDraft
  closed: (view: Schemas['CloseView']) => void
}

function CloseForm({ session, draft, closed }: FormProps) {
  const queries = useQueryClient()
  const saved = useSaved()
  const { problem, run } = useProblem()
  const { note, lines, more = {}, tomorrow, tomorrowKeys = [], tension, pain, where, painAt } = draft.written
  const drills = session.drills.filter((drill) => drill.area)
  const played = drills.reduce((sum, drill) => sum + drill.playedSeconds, 0) / 60
  const save = async () => {
    const body = {
      id: draft.written.id,
      sessionId: session.id,
      note,
      lines: [...new Set([...Object.keys(lines), ...Object.keys(more)])].map(Number).map((position) => ({
        position,
        text: lines[position] ?? '',
        ...more[position],
      })),
      tomorrow,
      tomorrowKeys,
      tension,
      pain,
      where,
      painAt: pain ? painAt : null,
    }
    const view = await run(() => ask(client.POST('/api/session/close', { body })))
    if (!view) {
      // Closed elsewhere: what was written here is shown, to be kept or not.
      await queries.invalidateQueries({ queryKey: api.queryOptions('get', '/api/session').queryKey })
      return
    }
    draft.clear()
    closed(view)
    queries.removeQueries({ queryKey: api.queryOptions('get', '/api/session').queryKey })
    await saved()
  }
  return (
    <Page
      title={session.isOver ? `Close the session of ${sayDay(session.day)}` : 'Close the session'}
      problem={problem}
      aside={<BackToStage session={session} />}
    >
      {session.isOver && (
        <Text mb="3" maxW="70ch">
          It was not closed on its day. What was played then stays with {sayDay(session.day)}; today begins
          when this is done.
        </Text>
      )}
      <RoutineScore
        notes={session.drills.map((drill) => ({
          area: drill.area,
          minutes: drill.minutes,
          title: drill.title,
          played: drill.playedSeconds / 60,
        }))}
      />
      <Text my="3" fontWeight={600}>
        {sayMinutes(Math.round(played))} played of {session.plannedMinutes} planned
      </Text>
      <Grid templateColumns={{ base: '1fr', lg: 'minmax(0,1fr) 320px' }} gap="8">
        <Box>
          {drills.map((drill) => (
            <CloseLine
              key={drill.position}
              drill={drill}
              text={lines[drill.position] ?? ''}
              asked={tomorrow.includes(drill.position)}
              keys={tomorrowKeys}
              askFor={(keys) => draft.write({ tomorrowKeys: keys })}
              write={(text) => draft.write({ lines: { ...lines, [drill.position]: text } })}
              more={more[drill.position]}
              writeMore={(now) => draft.write({ more: { ...more, [drill.position]: now } })}
              ask={(on) =>
                draft.write({
                  tomorrow: on
                    ? [...tomorrow, drill.position]
                    : tomorrow.filter((one) => one !== drill.position),
                })
              }
            />
          ))}
          <RefusalOf field={['lines', 'tomorrow', 'tomorrowKeys']} />
        </Box>
        <Box>
          <Field label="What was it like, and what next?" name="note">
            <Textarea value={note} onChange={(event) => draft.write({ note: event.target.value })} />
          </Field>
          <Phrases add={(phrase) => draft.write({ note: withPhrase(note, phrase) })} />
          <chakra.fieldset mt="4">
            <chakra.legend fontSize="0.85em" color="faded" mb="1">
              Tension while playing
            </chakra.legend>
            <Flex gap="2">
              {['none', 'a little', 'some', 'much'].map((word, value) => (
                <Press
                  key={word}
                  px="3"
                  aria-pressed={tension === value}
                  look={tension === value ? 'strong' : undefined}
                  onClick={() => draft.write({ tension: value })}
                >
                  {word}
                </Press>
              ))}
            </Flex>
          </chakra.fieldset>
          <Tick mt="4" label="Pain, numbness or tingling" on={pain} set={(on) => draft.write({ pain: on })} />
          {pain && (
            <Box borderLeft="4px solid" borderColor="wrong" pl="4" mt="2">
              <Text mb="2">
                The next plan turns to work without the instrument, and asks before it plans playing. See a
                doctor or a physiotherapist who knows musicians; this is no medical advice.
              </Text>
              <Field label="Where" name="where">
                <Input value={where} onChange={(event) => draft.write({ where: event.target.value })} />
              </Field>
              <Field
                label="In which drill? It and what moves like it rest for the first days back."
                name="painAt"
              >
                <Select
                  value={painAt ?? ''}
                  onChange={(event) =>
                    draft.write({ painAt: event.target.value === '' ? null : Number(event.target.value) })
                  }
                >
                  <option value="">none in particular</option>
                  {drills
                    .filter((drill) => drill.playedSeconds > 0)
                    .map((drill) => (
                      <option key={drill.position} value={drill.position}>
                        {drill.title}
                      </option>
                    ))}
                </Select>
              </Field>
            </Box>
          )}
          <Refusal />
          <DemoWord />
          <Press look="strong" mt="5" minH="52px" px="6" onClick={save}>
            Close and keep
          </Press>
        </Box>
      </Grid>
    </Page>
  )
}

/** Back to where one was; when all is through, the last drill is opened again. */
function BackToStage({ session }: { session: Session }) {
  if (session.isOver) return null
  return (
    <Flex gap="6" align="center" wrap="wrap">
      {session.isUntouched && <LeaveIt session={session} />}
      {session.position < session.drills.length ? (
        <Link to="/practise">Back to the stage</Link>
      ) : (
        <Again session={session} />
      )}
    </Flex>
  )
}

/** Begun by mistake: the plan stands as before, and nothing is in the books. */
function LeaveIt({ session }: { session: Session }) {
  const queries = useQueryClient()
  const saved = useSaved()
  const navigate = useNavigate()
  const { problem, run } = useProblem()
  const leave = async () => {
    const body = { sessionId: session.id }
    const left = await run(async () => {
      await ask(client.POST('/api/session/leave', { body }))
      return true
    })
    if (!left) return
    queries.removeQueries({ queryKey: api.queryOptions('get', '/api/session').queryKey })
    await saved()
    await navigate('/')
  }
  return (
    <Box>
      <Press look="quiet" onClick={leave}>
        Not now: leave it unplayed
      </Press>
      <Refusal problem={problem} />
    </Box>
  )
}

function Again({ session }: { session: Session }) {
  const queries = useQueryClient()
  const navigate = useNavigate()
  const { problem, run } = useProblem()
  const again = async () => {
    const body = {
      id: crypto.randomUUID(),
      sessionId: session.id,
      position: session.position,
      playedSeconds: 0,
      kind: 'Back',
    } as const
    const view = await run(() => ask(client.POST('/api/session/act', { body })))
    if (!view) return
    queries.setQueryData(api.queryOptions('get', '/api/session').queryKey, view)
    await navigate('/practise')
  }
  return (
    <Box>
      <Press look="quiet" onClick={again}>
        Back to the last drill
      </Press>
      <Refusal problem={problem} />
    </Box>
  )
}

function Closed({ view }: { view: Schemas['CloseView'] }) {
  return (
    <Page title="Kept">
      <Text fontSize="subheading">
        {sayMinutes(Math.round(view.playedMinutes))} played of {view.plannedMinutes} planned. What you did
        today is already part of tomorrow&rsquo;s plan.
      </Text>
      {view.advice && (
        <Box borderLeft="4px solid" borderColor="wrong" pl="4" my="4" maxW="62ch">
          {view.advice}
        </Box>
      )}
      {view.questions.map((question) => (
        <RatingQuestion key={question.materialId} question={question} />
      ))}
      {view.targets.map((question) => (
        <TargetQuestion key={question.materialId} question={question} />
      ))}
      <ApartOffers />
      {view.listToRate && (
        <Text mt="3" data-testid="list-to-rate">
          Nothing for {sayDay(view.listToRate)} was rated for a week.{' '}
          <Link to={`/music/list/${view.listToRate}?rate`}>Rate its list now, a minute</Link>
        </Text>
      )}
      <Flex gap="6" mt="4">
        <Link to="/journal">Read the journal</Link>
        <Link to="/">Back to today</Link>
      </Flex>
    </Page>
  )
}
