import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { Navigate, useNavigate } from 'react-router'
import type { Schemas } from '../../api/client'
import { RoutineScore } from '../../ui/RoutineScore'
import { AreaGlyph, areaLooks } from '../../ui/areas'
import { Engraving } from '../../ui/Engraving'
import { Press } from '../../ui/fields'
import { useStageSound } from './useStageSound'
import { sayClock, sayTempo } from '../../ui/words'
import { Beat } from './Beat'
import { NoteSheet, type NoteKind } from './NoteSheet'
import { KeySheet } from './KeySheet'
import { soundTones } from './sounds'
import { useStage, type StageState } from './useStage'
import { useStageKeys } from './useStageKeys'

export function StagePage() {
  const stage = useStage()
  const { session, loaded } = stage
  if (!loaded) return <Box bg="stage" minH="100vh" />
  if (!session) return <Navigate to="/" replace />
  if (session.position >= session.drills.length) return <Navigate to="/close" replace />
  return <Stage stage={stage} session={session} />
}

function Stage({ stage, session }: { stage: StageState; session: Schemas['SessionView'] }) {
  const navigate = useNavigate()
  const { act, played, problem } = stage
  const [sheet, setSheet] = useState<NoteKind | 'keys' | null>(null)
  const [heard, setHeard] = useState<string | null>(null)
  const drill = session.drills[session.position]!
  const cue = session.cue!
  const question = session.question
  const asked = `${session.position}:${cue.question}`

  useEffect(() => {
    if (question && session.running) soundTones(question.question)
    // Each question is heard once by itself.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked, session.running])

  const hear = () => {
    if (!question) return
    soundTones(question.answer)
    setHeard(asked)
  }
  const yes = () => {
    if (!session.running) act('Resume')
    else if (question && heard !== asked) hear()
    else act(cue.countsTakes ? 'Clean' : 'Done')
  }
  const no = () => {
    if (!session.running) act('Resume')
    else if (question && heard !== asked) hear()
    else act(cue.countsTakes ? 'Missed' : 'Back')
  }
  const sound = useStageSound(session)
  const pause = () => act(session.running ? 'Pause' : 'Resume')
  const nudge = (beats: number) => act('Nudge', drill.nudge + beats)
  useStageKeys(
    {
      yes,
      no,
      pause,
      letters: {
        Enter: () => act('Done'),
        s: () => act('Skip'),
        b: () => act('Back'),
        z: () => act('Undo'),
        e: () => act('Extend', drill.allowedSeconds - drill.minutes * 60 + 60),
        '+': () => nudge(2),
        '=': () => nudge(2),
        '-': () => nudge(-2),
        ArrowUp: () => nudge(1),
        ArrowDown: () => nudge(-1),
        '1': () => act('Readiness', 1),
        '2': () => act('Readiness', 2),
        '3': () => act('Readiness', 3),
        m: sound.toggleClick,
        d: sound.toggleDrone,
        r: () => question && soundTones(question.question),
        n: () => setSheet('Note'),
        l: () => setSheet('Shelf'),
        '?': () => setSheet('keys'),
        Escape: () => void navigate('/close'),
      },
    },
    sheet === null,
  )

  const left = drill.allowedSeconds - played
  const before = session.drills.slice(0, session.position).reduce((sum, one) => sum + one.minutes, 0)
  const playhead =
    before + Math.min(drill.minutes, (played / Math.max(1, drill.allowedSeconds)) * drill.minutes)
  return (
    <Flex
      as="main"
      id="main"
      direction="column"
      bg="stage"
      color="stageText"
      minH="100vh"
      px={{ base: '4', md: '10' }}
      py="5"
      gap="4"
    >
      <Flex justify="space-between" color="stageFaded" gap="4" wrap="wrap">
        <Flex gap="3" align="center">
          {drill.area && <AreaGlyph area={drill.area} dark />}
          <Text>
            {drill.area ? areaLooks[drill.area].name : 'Break'}
            {drill.method && ` · ${drill.method}`}
          </Text>
        </Flex>
        <Text>
          drill {session.position + 1} of {session.drills.length} · {Math.floor(playhead)} of{' '}
          {session.plannedMinutes} min
        </Text>
      </Flex>
      {problem && (
        <Text role="alert" bg="#5a2018" px="4" py="2" borderRadius="6px">
          {problem.status === 0
            ? 'The program does not answer. What you press is kept here and sent when it is back.'
            : problem.message}
        </Text>
      )}
      <Flex flex="1" align="center" gap="8" wrap={{ base: 'wrap', lg: 'nowrap' }}>
        <Box flex="1" minW="0">
          <chakra.h1
            fontSize={{ base: '40px', md: '64px' }}
            overflowWrap="anywhere"
            data-testid="stage-title"
          >
            {cue.title}
          </chakra.h1>
          <Text fontSize={{ base: '32px', md: '56px' }} lineHeight={1.15} mt="3" data-testid="stage-now">
            {question ? (heard === asked ? `${question.answerText}. Right?` : question.ask) : cue.sentence}
          </Text>
          {cue.count && (
            <Text fontSize="24px" color="stageFaded" mt="3" data-testid="stage-count">
              {cue.count}
            </Text>
          )}
          {session.abc && (
            <Box mt="3" maxW="760px">
              <Engraving abc={session.abc} label={`${cue.title}, engraved`} dark />
            </Box>
          )}
          {session.target?.note && (
            <Text fontSize="24px" color="stageAccent" mt="2">
              {session.target.note}
            </Text>
          )}
          <Text fontSize={{ base: '28px', md: '40px' }} color="stageFaded" mt="5">
            {cue.next || session.nextDrill ? `then ${cue.next || session.nextDrill}` : 'then done'}
          </Text>
        </Box>
        <Flex direction="column" align="center" minW={{ base: '100%', lg: '430px' }}>
          <chakra.div
            role="timer"
            aria-label="Left of this drill"
            fontFamily="heading"
            fontWeight={600}
            fontSize={{ base: '120px', md: '196px' }}
            lineHeight={1}
            fontVariantNumeric="tabular-nums"
            color={session.running ? 'stageText' : 'stageFaded'}
            data-testid="stage-left"
          >
            {left >= 0 ? sayClock(left) : `+${sayClock(-left)}`}
          </chakra.div>
          <Text fontSize="24px" color="stageAccent" minH="34px" aria-live="polite">
            {!session.running ? 'paused: space goes on' : left < 0 ? 'time: finish this take' : ''}
          </Text>
          {session.target?.tempo && (
            <Flex align="center" gap="5" mt="1">
              <Beat tempo={session.target.tempo} running={session.running} />
              <Text fontSize="56px" lineHeight={1.2} data-testid="stage-tempo">
                {sayTempo(session.target.tempo, session.target.beat)}
              </Text>
            </Flex>
          )}
        </Flex>
      </Flex>
      <RoutineScore
        size="stage"
        dark
        playhead={playhead}
        notes={session.drills.map((one) => ({
          area: one.area,
          minutes: one.minutes,
          title: one.title,
          past: one.position < session.position,
          played: one.playedSeconds > 5 ? one.playedSeconds / 60 : undefined,
        }))}
      />
      <Flex gap="2" wrap="wrap" align="center">
        <StageButton keys="→" name={yesName(session, heard === asked)} press={yes} />
        <StageButton keys="←" name={noName(session, heard === asked)} press={no} />
        <StageButton keys="space" name={session.running ? 'pause' : 'go on'} press={pause} />
        {(cue.countsTakes || !session.running) && (
          <StageButton keys="enter" name="done" press={() => act('Done')} />
        )}
        <StageButton keys="S" name="skip" press={() => act('Skip')} />
        <StageButton
          keys="E"
          name="+1 min"
          press={() => act('Extend', drill.allowedSeconds - drill.minutes * 60 + 60)}
        />
        {session.target?.tempo && (
          <StageButton keys="M" name={sound.clicking ? 'no click' : 'click'} press={sound.toggleClick} />
        )}
        <StageButton keys="N" name="note" press={() => setSheet('Note')} />
        <StageButton keys="L" name="shelf" press={() => setSheet('Shelf')} />
        <Box flex="1" />
        <StageButton keys="?" name="all keys" press={() => setSheet('keys')} />
        <StageButton keys="esc" name="close" press={() => void navigate('/close')} />
      </Flex>
      {sheet === 'keys' && <KeySheet close={() => setSheet(null)} />}
      {(sheet === 'Note' || sheet === 'Shelf') && (
        <NoteSheet
          kind={sheet}
          position={session.position}
          materialId={session.target?.materialId ?? null}
          close={() => setSheet(null)}
        />
      )}
    </Flex>
  )
}

function yesName({ cue, question }: Schemas['SessionView'], heard: boolean) {
  if (question) return heard ? 'right' : 'hear it'
  return cue?.countsTakes ? 'clean' : 'done'
}

function noName({ cue, question }: Schemas['SessionView'], heard: boolean) {
  if (question) return heard ? 'wrong' : 'hear it'
  return cue?.countsTakes ? 'missed' : 'back'
}

function StageButton({ keys, name, press }: { keys: string; name: string; press: () => void }) {
  return (
    <Press
      borderColor="#5d6475"
      px="2.5"
      fontSize="16px"
      minH="44px"
      fontWeight={500}
      _hover={{ bg: '#262c3a' }}
      onClick={press}
    >
      <Text as="span" fontWeight={700}>
        {keys}
      </Text>
      {name}
    </Press>
  )
}
