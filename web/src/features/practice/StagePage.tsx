import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { Navigate, useNavigate } from 'react-router'
import type { Area, Schemas } from '../../api/client'
import { RoutineScore } from '../../ui/RoutineScore'
import { AreaGlyph, areaLooks } from '../../ui/areas'
import { Engraving } from '../../ui/Engraving'
import { useTitle } from '../../ui/usePageChange'
import { useStageSound } from './useStageSound'
import { StageTime } from './StageTime'
import { noName, yesName } from './stageWords'
import { NoteSheet } from './NoteSheet'
import { Away, StageButton, Told } from './StageParts'
import { low } from './low'
import { KeySheet } from './KeySheet'
import { useLetters } from './useLetters'
import { useNote, type Note } from './useNote'
import { useStage, type StageState } from './useStage'
import { useStageKeys } from './useStageKeys'
import { useRun } from './useRun'
import { RunLine } from './RunLine'
import { StageGroove } from './StageGroove'
import { TensionAsk } from './TensionAsk'

const soundTones = (tones: Schemas['Tone'][]) =>
  void import('../../sound/signals').then((one) => one.soundTones(tones))

const areaName = (area: Area | null) => (area ? areaLooks[area].name : 'Break')

export function StagePage() {
  const stage = useStage()
  const note = useNote()
  // The sheet keeps its place, whatever lies under it: a line under way is written to its end.
  return (
    <>
      <Under stage={stage} note={note} />
      {note.open && <NoteSheet note={note} />}
    </>
  )
}

/** The stage, or what stands in its place when there is nothing to play. */
function Under({ stage, note }: { stage: StageState; note: Note }) {
  const { session, loaded } = stage
  if (stage.failed) return <Away retry={() => window.location.reload()} />
  if (!loaded) return <Box bg="stage" minH="100vh" />
  if (!session) return note.open ? <Box bg="stage" minH="100vh" /> : <Navigate to="/" replace />
  if (session.position >= session.drills.length || session.isOver)
    return note.open ? <Box bg="stage" minH="100vh" /> : <Navigate to="/close" replace />
  return <Stage key={session.id} stage={stage} session={session} note={note} />
}

interface StageProps {
  stage: StageState
  session: Schemas['SessionView']
  note: Note
}

function Stage({ stage, session, note }: StageProps) {
  const navigate = useNavigate()
  const { act, played, problem, away } = stage
  const [keysShown, setKeysShown] = useState(false)
  const letters = useLetters()
  const [heard, setHeard] = useState<string | null>(null)
  const drill = session.drills[session.position]!
  const cue = session.cue!
  const question = session.question
  const asked = `${session.position}:${cue.question}`

  useEffect(() => {
    if (question && session.running) soundTones(question.question)
    return () => void import('../../sound/signals').then((one) => one.stopTones())
    // Each question is heard once by itself, and no longer than it is asked.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked, session.running])

  useTitle(`${cue.title}, ${areaName(drill.area)}`)
  const run = useRun(cue.run, session.target?.tempo ?? null, (late, seconds) => act('Run', late, seconds))
  const takes = `${session.position}:${drill.takes}`
  const [answered, setAnswered] = useState('')
  const [asking, setAsking] = useState(false)
  const asksTension = asking || ((cue.asksTension ?? false) && answered !== takes)
  const tense = (level: number) => {
    act('Tension', level)
    setAnswered(takes)
    setAsking(false)
  }
  const { stop: stopRun } = run
  useEffect(() => {
    if (!session.running) stopRun()
  }, [session.running, stopRun])

  const hear = () => {
    if (!question) return
    soundTones(question.answer)
    setHeard(asked)
  }
  const yes = () => {
    if (!session.running) act('Resume')
    else if (question && heard !== asked) hear()
    else if (cue.run && run.state) run.found()
    else if (cue.run) void run.start()
    else act(cue.countsTakes ? 'Clean' : 'Done')
  }
  const no = () => {
    if (!session.running) act('Resume')
    else if (question && heard !== asked) hear()
    else if (run.state) run.late()
    else if (cue.run) act('Back')
    else act(cue.countsTakes ? 'Missed' : 'Back')
  }
  const sound = useStageSound(session)
  const pause = () => act(session.running ? 'Pause' : 'Resume')
  const nudge = (beats: number) => act('Nudge', drill.nudge + beats)
  const actions: Record<string, () => void> = {
    Enter: () => act('Done'),
    s: () => act('Skip'),
    b: () => act('Back'),
    z: () => act('Undo'),
    e: () => act('Extend'),
    a: () => act('Later'),
    '+': () => nudge(2),
    '=': () => nudge(2),
    '-': () => nudge(-2),
    ArrowUp: () => nudge(1),
    ArrowDown: () => nudge(-1),
    '0': () => asksTension && tense(0),
    '1': () => (asksTension ? tense(1) : act('Readiness', 1)),
    '2': () => (asksTension ? tense(2) : act('Readiness', 2)),
    '3': () => (asksTension ? tense(3) : act('Readiness', 3)),
    t: () => setAsking(!asking),
    m: sound.toggleClick,
    d: sound.toggleDrone,
    r: () => question && soundTones(question.question),
    n: () => note.begin('Note', session),
    l: () => note.begin('Shelf', session),
    '?': () => setKeysShown(true),
    Escape: () => void navigate('/close'),
  }
  useStageKeys({ yes, no, pause, letters: actions }, !note.open && !keysShown, letters.on)

  const left = drill.allowedSeconds - played
  const next = (run.state && cue.run?.steps[run.state.step + 1]) ?? (cue.next || session.nextDrill)
  const before = session.drills.slice(0, session.position).reduce((sum, one) => sum + one.minutes, 0)
  const playhead =
    before + Math.min(drill.minutes, (played / Math.max(1, drill.allowedSeconds)) * drill.minutes)
  const now = question ? (heard === asked ? `${question.answerText}. Right?` : question.ask) : cue.sentence
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
      py={{ base: '3', md: '5' }}
      gap={{ base: '2', md: '4' }}
      css={{ [low]: { paddingBlock: '8px', gap: '4px' } }}
    >
      <Flex justify="space-between" color="stageFaded" gap="4" wrap="wrap">
        <Flex gap="3" align="center">
          {drill.area && <AreaGlyph area={drill.area} dark />}
          <Text>
            {areaName(drill.area)}
            {drill.method && ` · ${drill.method}`}
          </Text>
        </Flex>
        <Text>
          drill {session.position + 1} of {session.drills.length} · {Math.floor(playhead)} of{' '}
          {session.plannedMinutes} min
        </Text>
      </Flex>
      {away && (
        <Told>The program does not answer. What you press is kept here and sent when it is back.</Told>
      )}
      {sound.failed && (
        <Told>The sound could not be loaded. Press M or D to try again; everything else works.</Told>
      )}
      {problem && <Told dismiss={stage.dismiss}>{problem.message}</Told>}
      <Flex
        flex="1"
        align="center"
        columnGap="8"
        rowGap={{ base: '2', md: '8' }}
        wrap={{ base: 'wrap', lg: 'nowrap' }}
        css={{ [low]: { flexWrap: 'nowrap' } }}
      >
        <Box flex="1" minW="0">
          <chakra.h1
            fontSize={{ base: '1.8rem', md: session.groove || session.abc ? '2.71rem' : '3.76rem' }}
            css={{ [low]: { fontSize: '1.8rem' } }}
            lineHeight={1.1}
            overflowWrap="anywhere"
            data-testid="stage-title"
          >
            {(run.state && cue.run?.steps[Math.max(0, run.state.step)]) ?? cue.title}
          </chakra.h1>
          <Text
            // A long instruction is read once; it may be smaller, so that the keys stay in sight.
            fontSize={now.length > 80 ? { base: '1.4rem', md: '2.1rem' } : { base: '1.88rem', md: '3.29rem' }}
            css={{ [low]: { fontSize: '1.3rem', marginTop: 0 } }}
            lineHeight={1.15}
            mt="3"
            data-testid="stage-now"
          >
            {now}
          </Text>
          {cue.count && (
            <Text fontSize="heading" color="stageFaded" mt="3" data-testid="stage-count">
              {cue.count}
            </Text>
          )}
          {cue.run && <RunLine run={cue.run} state={run.state} />}
          {session.groove && (
            <StageGroove
              key={session.position}
              groove={session.groove}
              tempo={session.target?.tempo ?? 80}
              ownBar={drill.ownBar}
              running={session.running}
            />
          )}
          {session.abc && (
            <Box mt="3" maxW="760px">
              <Engraving abc={session.abc} label={`${cue.title}, engraved`} dark />
            </Box>
          )}
          {session.musicWord && (
            <Text fontSize="subheading" color="stageFaded" mt="3" data-testid="music-word">
              {session.musicWord}
            </Text>
          )}
          {session.target?.note && (
            <Text fontSize="heading" color="stageAccent" mt="2">
              {session.target.note}
            </Text>
          )}
          {session.laterToday && (
            <Text fontSize="subheading" color="stageAccent" mt="2" data-testid="later-today">
              {session.laterToday} comes again in a later sitting today.
            </Text>
          )}
          <Text
            fontSize={{ base: '1.2rem', md: '2.35rem' }}
            css={{ [low]: { fontSize: '1.2rem', marginTop: '4px' } }}
            lineClamp={{ base: 1, md: 3 }}
            color="stageFaded"
            mt={{ base: '3', md: '5' }}
          >
            {next ? `then ${next}` : 'then done'}
          </Text>
        </Box>
        <StageTime session={session} left={left} beat={sound.beat} />
      </Flex>
      {asksTension && <TensionAsk answer={tense} />}
      <Box display={{ base: 'none', md: 'block' }} css={{ [low]: { display: 'none' } }}>
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
      </Box>
      <Flex gap="2" wrap="wrap" align="center" position="sticky" bottom="0" bg="stage" py="2" mb="-2">
        <StageButton keys="→" name={yesName(session, heard === asked, run.state !== null)} press={yes} />
        <StageButton keys="←" name={noName(session, heard === asked, run.state !== null)} press={no} />
        <StageButton keys="space" name={session.running ? 'pause' : 'go on'} press={pause} />
        {(cue.countsTakes || !session.running) && (
          <StageButton keys="enter" name="done" press={() => act('Done')} />
        )}
        <StageButton keys="S" name="skip" press={() => act('Skip')} />
        <StageButton keys="E" name="+1 min" press={() => act('Extend')} />
        {session.target?.tempo && !cue.run && (
          <StageButton keys="M" name={sound.clicking ? 'no click' : 'click'} press={sound.toggleClick} />
        )}
        <StageButton keys="N" name="note" press={() => note.begin('Note', session)} />
        <StageButton keys="L" name="shelf" press={() => note.begin('Shelf', session)} />
        <Box flex="1" />
        <StageButton keys="?" name="all keys" press={() => setKeysShown(true)} />
        <StageButton keys="esc" name="close" press={() => void navigate('/close')} />
      </Flex>
      {keysShown && (
        <KeySheet close={() => setKeysShown(false)} press={(key) => actions[key]?.()} letters={letters} />
      )}
    </Flex>
  )
}
