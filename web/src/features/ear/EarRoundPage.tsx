import { Box, chakra, Flex, Grid, Text } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import { useSearchParams } from 'react-router'
import { api, type Schemas } from '../../api/client'
import { Outline } from '../../ui/Outline'
import { Press } from '../../ui/Press'
import { Refusal } from '../../ui/refusal'
import { useTitle } from '../../ui/usePageChange'
import { sayClock } from '../../ui/words'
import { DeskFrame } from '../practice/DeskFrame'
import { DeskKey } from '../practice/DeskKey'
import { useDesk, type Leave } from '../practice/useDesk'
import { useSettled } from '../practice/useSettled'
import { useStageKeys } from '../practice/useStageKeys'
import { SoundBlocked } from '../../sound/SoundBlocked'
import { hasNotes } from '../../sound/useEarSound'
import { LineNotes } from './LineNotes'
import { labelOf, useEarRound, type RoundState } from './useEarRound'
import { useSpareLeave } from './useSpareLeave'

/** A round by itself lasts so long. */
const usualSeconds = 300

/** A spare minute is one question. */
const spareSeconds = 1

/** A round for the ear, by itself or as a drill of today, which gives it its time. */
export function EarRoundPage() {
  const [search] = useSearchParams()
  const isSpare = search.has('spare')
  const back = isSpare ? { name: 'back', to: '/spare' } : { name: 'back to the ear', to: '/craft/ear' }
  const leave = useSpareLeave(useDesk('EarRound', null, back), isSpare)
  const session = api.useQuery('get', '/api/session', undefined, { enabled: leave.fromStage })
  if (leave.fromStage && session.isPending) return <Outline />
  const drill = session.data?.drills[session.data.position]
  const seconds =
    drill?.desk?.kind === 'EarRound'
      ? Math.max(30, drill.allowedSeconds - drill.playedSeconds)
      : isSpare
        ? spareSeconds
        : usualSeconds
  return <Round only={search.getAll('only')} seconds={seconds} leave={leave} />
}

function Round({ only, seconds, leave }: { only: string[]; seconds: number; leave: Leave }) {
  const [whole] = useState(seconds)
  const round = useEarRound(only, whole)
  const { question, step, count, voice } = round
  const left = useLeft(round.left, step.at !== 'wait' && step.at !== 'over')
  const go = () => void leave.go(count.asked > 0)
  // Somebody who has touched the page already hears the first question at once; a browser is silent before that.
  const began = useRef(false)
  const { begin } = round
  useEffect(() => {
    if (began.current || !navigator.userActivation?.hasBeenActive) return
    began.current = true
    begin()
  }, [begin])
  const keys = question?.kind === 'Notes' ? highestDegree : (question?.alternatives.length ?? 0)
  const figures = Object.fromEntries(
    question?.kind === 'Choose'
      ? question.alternatives.map((one, i) => [keyOf(one.label, question, i), () => round.choose(i)])
      : Array.from({ length: keys }, (_, i) => [`${i + 1}`, () => round.choose(i)]),
  )
  // The letters of a line's key give its notes; the one an octave above home has a figure alone.
  const letters = Object.fromEntries(
    question?.line?.steps
      .slice(0, 7)
      .map(({ letter }, i) => [letter.charAt(0).toLowerCase(), () => round.giveStep(i)]) ?? [],
  )
  const settled = useSettled(`${step.at} ${question?.item ?? ''}`)
  const judging = (answer: () => void) => (step.at === 'judge' ? settled(answer) : answer())
  useStageKeys(
    {
      yes: step.at === 'over' ? () => settled(go) : () => judging(round.yes),
      no: step.at === 'over' ? () => settled(begin) : () => judging(round.no),
      pause: round.again,
      letters: {
        ...figures,
        ...letters,
        ...(question?.line && { m: round.listen }),
        r: round.again,
        Backspace: round.takeBack,
        p: () => voice.setPiano(!voice.piano),
        Enter: step.at === 'over' ? () => settled(go) : () => judging(round.yes),
        Escape: () => (step.at === 'over' || step.at === 'wait' ? go() : round.end()),
      },
    },
    true,
  )
  useTitle(only.length > 0 ? 'Only these, by ear' : 'A round for the ear')
  return (
    <DeskFrame>
      <Flex justify="space-between" color="stageFaded" gap="4" wrap="wrap">
        <Text>
          Ear{question && step.at !== 'over' && ` · ${question.family}`}
          {question?.why && step.at !== 'over' && ` · ${question.why}`}
        </Text>
        <Text data-testid="ear-count">
          {[
            count.asked > 0 && `${count.right} of ${count.asked} right`,
            step.at !== 'wait' && step.at !== 'over' && `${sayClock(Math.ceil(left))} left`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </Text>
      </Flex>
      <Box my="auto">
        {step.at === 'over' ? (
          <Over round={round} />
        ) : (
          <>
            <chakra.h1
              fontSize={{ base: '1.6rem', md: '2.71rem' }}
              lineHeight={1.15}
              data-testid="ear-now"
              aria-live="polite"
            >
              {nowWords(round, only.length > 0)}
            </chakra.h1>
            {question?.kind === 'Notes' && step.at !== 'wait' && <LineNotes round={round} />}
            {round.tapping && (
              <Text mt="6" fontSize="2rem" data-testid="tapped">
                {round.tapped === 0 ? 'Any key, a pedal, or a finger anywhere.' : `${round.tapped} tapped`}
              </Text>
            )}
            {question?.kind === 'Choose' && step.at !== 'wait' && (
              <Alternatives
                question={question}
                choose={round.choose}
                said={step.at === 'said' ? step.said : null}
                shown={step.at === 'said' || step.at === 'judge'}
              />
            )}
          </>
        )}
      </Box>
      {voice.failed && <Text role="alert">The piano could not be loaded; the tones are plain.</Text>}
      <SoundBlocked />
      <Refusal problem={round.problem} />
      <Flex gap="3" wrap="wrap">
        {step.at === 'wait' && <DeskKey name="begin" keys="→" press={begin} />}
        {step.at === 'ask' && !round.tapping && (
          <>
            <DeskKey name="answer aloud, then hear it" keys="→" press={round.yes} />
            <DeskKey name="hear it again" keys="R" press={round.again} />
          </>
        )}
        {step.at === 'judge' && (
          <>
            <DeskKey name="I had it" keys="→" press={round.yes} />
            <DeskKey name="I had not" keys="←" press={round.no} />
          </>
        )}
        {step.at === 'said' && (
          <>
            <DeskKey name="the next one" keys="→" press={round.yes} />
            <DeskKey name="hear it again" keys="R" press={round.again} />
          </>
        )}
        {step.at === 'over' && <DeskKey name="another round" keys="←" press={begin} />}
        <DeskKey
          name={step.at === 'over' || step.at === 'wait' ? leave.name : 'end the round'}
          keys={step.at === 'over' ? '→' : 'esc'}
          press={step.at === 'over' || step.at === 'wait' ? go : round.end}
        />
        {question?.line && (
          <DeskKey
            name={round.listens ? 'a MIDI keyboard gives notes' : 'notes by a MIDI keyboard'}
            keys="M"
            press={round.listen}
          />
        )}
        {question && hasNotes(question.tones) && (
          <DeskKey
            name={voice.piano ? 'plain tones' : 'on the piano'}
            keys="P"
            press={() => voice.setPiano(!voice.piano)}
          />
        )}
      </Flex>
    </DeskFrame>
  )
}

function nowWords({ question, step }: RoundState, isOnly: boolean) {
  if (step.at === 'wait' || !question)
    return isOnly ? 'Only these: one after the other.' : 'Hear it, then say what it was.'
  if (step.at === 'judge') return `It was: ${question.name}. Did you get it?`
  if (step.at !== 'said') return question.line ? `In ${question.line.key}. ${question.ask}` : question.ask
  if (step.words) return `${step.right ? 'Right' : 'Not yet'}: ${step.words}`
  if (step.right) return `Right: ${question.name}.`
  return step.said === null
    ? `It was: ${question.name}.`
    : `It was: ${question.name}. You said: ${labelOf(question, step.said)}.`
}

const highestDegree = 8

/** The key of an answer: its place; where the answers are degrees, the degree itself, and none for those outside the key. */
const keyOf = (label: string, { alternatives }: Schemas['EarQuestionView'], at: number) =>
  alternatives.some((one) => /^[1-8]$/.test(one.label)) ? (/^[1-8]$/.test(label) ? label : '') : `${at + 1}`

/** Keys to choose from; after the answer each can be heard. */
function Alternatives({
  question,
  choose,
  said,
  shown,
}: {
  question: Schemas['EarQuestionView']
  choose: (at: number) => void
  said: string | null
  shown: boolean
}) {
  return (
    <Grid
      templateColumns={{ base: 'repeat(2, minmax(0, 1fr))', md: 'repeat(auto-fill, minmax(220px, 1fr))' }}
      gap="3"
      mt="6"
      role="group"
      aria-label="Answers"
    >
      {question.alternatives.map((one, i) => {
        const was = shown && one.item === question.item
        return (
          <Press
            key={one.item}
            minH="64px"
            px="3"
            fontSize={{ base: '1rem', md: '1.2rem' }}
            whiteSpace="normal"
            textAlign="left"
            justifyContent="start"
            borderWidth={was ? '3px' : '1.5px'}
            borderColor={was || (shown && one.item === said) ? 'stageAccent' : 'stageEdge'}
            borderStyle={shown && one.item === said && !was ? 'dashed' : 'solid'}
            _hover={{ bg: 'stageHover' }}
            aria-label={`${one.label}${was ? ', it was this' : shown && one.item === said ? ', you said this' : ''}`}
            onClick={() => choose(i)}
          >
            {keyOf(one.label, question, i) !== one.label && (
              <Text as="span" color="stageFaded" fontWeight={400}>
                {keyOf(one.label, question, i)}
              </Text>
            )}
            {one.label}
          </Press>
        )
      })}
    </Grid>
  )
}

/** What the round brought. */
function Over({ round }: { round: RoundState }) {
  const { count, missed, today } = round
  return (
    <>
      <chakra.h1
        fontSize={{ base: '1.6rem', md: '2.71rem' }}
        lineHeight={1.15}
        data-testid="ear-now"
        aria-live="polite"
      >
        {count.asked === 0 ? 'Nothing was answered.' : `${count.right} of ${count.asked} right.`}
      </chakra.h1>
      {missed.length > 0 && (
        <chakra.ul mt="4" fontSize="1.15rem" listStyleType="none" aria-label="Missed">
          {missed.slice(-6).map(({ was, said }, i) => (
            <chakra.li key={i}>
              {was}
              {said && `, taken for ${said}`}
            </chakra.li>
          ))}
        </chakra.ul>
      )}
      {today && today.due > 0 && (
        <Text mt="4" color="stageFaded">
          {today.due === 1 ? 'One more is due today.' : `${today.due} more are due today.`}
        </Text>
      )}
    </>
  )
}

/** Seconds left, as they go by. */
function useLeft(look: () => number, running: boolean) {
  const [left, setLeft] = useState(look)
  const latest = useRef(look)
  useEffect(() => {
    latest.current = look
  })
  useEffect(() => {
    if (!running) return
    const tick = () => setLeft(latest.current())
    tick()
    const timer = setInterval(tick, 500)
    return () => clearInterval(timer)
  }, [running])
  return left
}
