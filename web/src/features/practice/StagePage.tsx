import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useCallback, useEffect, useState } from 'react'
import { Navigate, useNavigate } from 'react-router'
import type { Schemas } from '../../api/client'
import { RoutineScore } from '../../ui/RoutineScore'
import { WrittenLine } from '../../ui/WrittenLine'
import { useTitle } from '../../ui/usePageChange'
import { useStageSound } from './useStageSound'
import { areaName, StageHead } from './StageHead'
import { StageMusic } from './StageMusic'
import { StagePaper } from './StagePaper'
import { usePaper } from './usePaper'
import { StageTime } from './StageTime'
import { StageTitle } from './StageTitle'
import { countOf, noName, yesName } from './stageWords'
import { NoteSheet } from './NoteSheet'
import { Away, Told } from './StageParts'
import { low, lower } from './low'
import { KeySheet } from './KeySheet'
import { deskPath } from './useDesk'
import { StageHeard } from './StageHeard'
import { StageRecorded } from './StageRecorded'
import { useStageChoices } from './useStageChoices'
import { useListening } from './useListening'
import { useStageRecording } from './useStageRecording'
import { useNote, type Note } from './useNote'
import { useNudge } from './useNudge'
import { useStage, type StageState } from './useStage'
import { useStageKeys } from './useStageKeys'
import { useRun } from './useRun'
import { RunLine } from './RunLine'
import { StageGroove } from './StageGroove'
import { TensionAsk } from './TensionAsk'
import { ReliefAsk } from './ReliefAsk'
import { HelpAsk } from './HelpAsk'
import { helpChoices, helpOf } from './stageHelp'
import { MadeSheet } from './MadeSheet'
import { StageSaid, StationSaid } from './StageSaid'
import { StageBar } from './StageBar'
import { useAsked } from './useAsked'
import { useQuestion } from './useQuestion'
import { useSettled } from './useSettled'

/** By the clock, whatever is pressed: a stretch without a miss, a rest, a way to work that is not marked. */
const goesOn = ({ loop, period, countsTakes }: Schemas['Cue']) =>
  loop ? loop.fromSeconds !== null : Boolean(period) && !countsTakes

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
  const [seed, setSeed] = useState<Schemas['SeedView'] | null>(null)
  // Why a key did nothing, for as long as the drill is the same.
  const [why, setWhy] = useState({ at: -1, words: '' })
  const tell = (words: string) => setWhy({ at: session.position, words })
  const choices = useStageChoices()
  const drill = session.drills[session.position]!
  const cue = session.cue!
  const question = session.question
  const { heard, hear, again } = useQuestion(session)
  // The press that lets the answer be heard says nothing about it.
  const settled = useSettled(`${session.position}:${session.cue?.question}:${heard}`)

  useTitle(`${cue.title}, ${areaName(drill.area)}`)
  const run = useRun(cue.run, session.target?.tempo ?? null, (late, seconds) =>
    act('Run', late.length, { seconds, lateAt: late }),
  )
  const takes = `${session.position}:${drill.takes}`
  const { help, give, asksTension, tense, asksRelief, relieve, figure, toggleTension, toggleRelief } =
    useAsked(session, takes, act)
  const keepClick = useCallback((on: boolean) => act('Click', on ? 1 : 0), [act])
  const sound = useStageSound(session, keepClick)
  const recording = useStageRecording(session, sound)
  const listening = useListening(session, sound, (clean, heardId) => {
    recording.marked(clean)
    act(clean ? 'Clean' : 'Missed', undefined, { heardId })
  })
  const mark = (clean: boolean, off?: number) => {
    recording.marked(clean)
    act(clean ? 'Clean' : 'Missed', off, { heardId: listening.marked(clean) })
  }
  const { stop: stopRun } = run
  useEffect(() => {
    if (!session.running) stopRun()
  }, [session.running, stopRun])

  const yes = () => {
    if (!session.running) act('Resume')
    else if (help) give(helpOf(help, 'yes')!)
    else if (asksRelief) relieve(1)
    else if (question && !heard) hear()
    else if (cue.run && run.state && cue.run.beatsEach > 0) run.repair()
    else if (cue.run && run.state) run.found()
    else if (cue.run) void run.start()
    else if (goesOn(cue)) return
    else if (drill.desk) void navigate(deskPath(drill.desk))
    else if (question) settled(() => mark(true))
    else if (cue.countsTakes) mark(true)
    else act('Done')
  }
  const no = () => {
    if (!session.running) act('Resume')
    else if (help) give('none')
    else if (asksRelief) relieve(0)
    else if (question && !heard) hear()
    else if (question) settled(() => mark(false))
    else if (run.state) run.late()
    else if (cue.run || cue.loop?.fromSeconds === null) act('Back')
    else if (cue.countsTakes) mark(false)
    else act('Back')
  }
  const { paper, turn } = usePaper(session)
  // A page as a whole has the place of everything else.
  const page = paper !== null && paper.bars === ''
  const missed = (off: number) => {
    if (session.running && cue.countsTakes && !cue.run && !question) mark(false, off)
  }
  const pause = () => act(session.running ? 'Pause' : 'Resume')
  const goOn = () => session.station && act('Station', session.station.materialId)
  const move = useNudge(session, act)
  const nudge = (beats: number) =>
    session.target?.tempo == null ? tell(sound.moveOwnClick(beats)) : move(beats)
  const actions: Record<string, () => void> = {
    Enter: () => act('Done'),
    s: () => act('Skip'),
    b: () => act('Back'),
    z: () => act('Undo'),
    e: () => act('Extend'),
    a: () => act('Later'),
    w: () => act('Tomorrow'),
    ',': () => missed(-1),
    '.': () => missed(1),
    x: () => session.written && act('Settle', session.written.entryId),
    '+': () => nudge(2),
    '=': () => nudge(2),
    '-': () => nudge(-2),
    ArrowUp: () => nudge(1),
    ArrowDown: () => nudge(-1),
    ...Object.fromEntries([0, 1, 2, 3].map((level) => [String(level), () => figure(level)])),
    t: toggleTension,
    j: toggleRelief,
    y: goOn,
    m: () => tell(sound.toggleClick()),
    d: sound.toggleDrone,
    r: question ? again : recording.toggle,
    h: () => session.running && listening.toggle(),
    u: sound.tune,
    p: turn,
    k: () => session.seed && setSeed(session.seed),
    n: () => note.begin('Note', session),
    l: () => note.begin('Shelf', session),
    '?': () => setKeysShown(true),
    Escape: () => void navigate('/close'),
  }
  const hold = choices.holdRecords.on && session.running ? recording.toggle : undefined
  useStageKeys(
    { yes, no, pause, hold, letters: actions },
    !note.open && !keysShown && !seed,
    choices.letters.on,
  )

  const left = drill.allowedSeconds - played
  const next = (run.state && cue.run?.steps[run.state.step + 1]) ?? (cue.next || session.nextDrill)
  const before = session.drills.slice(0, session.position).reduce((sum, one) => sum + one.minutes, 0)
  const playhead =
    before + Math.min(drill.minutes, (played / Math.max(1, drill.allowedSeconds)) * drill.minutes)
  const now = question ? (heard ? `${question.answerText}. Did you get it?` : question.ask) : cue.sentence
  return (
    <Flex
      as="main"
      id="main"
      direction="column"
      className="stage"
      bg={cue.resting ? 'stageRest' : 'stage'}
      color="stageText"
      minH="100vh"
      px={{ base: '4', md: '10' }}
      py={{ base: '3', md: '5' }}
      gap={{ base: '2', md: '4' }}
      css={{ [low]: { paddingBlock: '8px', gap: '4px' } }}
    >
      <StageHead session={session} minute={Math.floor(playhead)} page={page} left={left} />
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
        display={page ? 'none' : 'flex'}
        wrap={{ base: 'wrap', lg: 'nowrap' }}
        css={{ [low]: { flexWrap: 'nowrap' } }}
      >
        <Box flex="1" minW="0">
          <chakra.h1
            fontSize={{ base: '1.8rem', md: session.groove || session.abc || paper ? '2.71rem' : '3.76rem' }}
            css={{ [low]: { fontSize: '1.8rem' } }}
            lineHeight={1.1}
            overflowWrap="anywhere"
            data-testid="stage-title"
          >
            <StageTitle text={(run.state && cue.run?.steps[Math.max(0, run.state.step)]) ?? cue.title} />
          </chakra.h1>
          <Text
            // A long instruction is read once; it may be smaller, so that the keys stay in sight.
            fontSize={
              now.length > 80 || listening.heard
                ? { base: '1.4rem', md: '2.1rem' }
                : { base: '1.88rem', md: '3.29rem' }
            }
            css={{
              [lower]: { fontSize: { base: '1.4rem', md: '2.1rem' } },
              [low]: { fontSize: '1.3rem', marginTop: 0 },
            }}
            lineHeight={1.15}
            mt="3"
            data-testid="stage-now"
          >
            {now}
          </Text>
          {cue.count && (
            <Text fontSize="heading" color="stageFaded" mt="3" data-testid="stage-count">
              {countOf(cue, played)}
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
          {session.musicWord && (
            <Text fontSize="subheading" color="stageFaded" mt="3" data-testid="music-word">
              {session.musicWord}
            </Text>
          )}
          {session.written && (
            <Text fontSize="subheading" mt="3" lineHeight={1.25}>
              <WrittenLine line={session.written} lines={2} dark />
            </Text>
          )}
          {session.target?.note && (
            <Text fontSize="heading" color="stageAccent" mt="2">
              {session.target.note}
            </Text>
          )}
          {why.words && why.at === session.position && (
            <Text role="status" fontSize="subheading" color="stageAccent" mt="2" data-testid="why-not">
              {why.words}
            </Text>
          )}
          <StageSaid session={session} />
          {session.station && <StationSaid station={session.station} goOn={goOn} />}
          {/* What was heard of the last take has its place. */}
          {!listening.heard && (
            <Text
              fontSize={{ base: '1.2rem', md: '2.35rem' }}
              css={{
                [lower]: { fontSize: { base: '1.2rem', md: '1.5rem' }, marginTop: '10px' },
                [low]: { fontSize: '1.2rem', marginTop: '4px' },
              }}
              lineClamp={{ base: 1, md: 2 }}
              color="stageFaded"
              mt={{ base: '3', md: '5' }}
            >
              {next ? `then ${next}` : 'then done'}
            </Text>
          )}
        </Box>
        <StageTime session={session} left={left} played={played} sound={sound} />
      </Flex>
      <StageRecorded recording={recording} />
      <StageHeard listening={listening} />
      {help && <HelpAsk help={help} give={give} />}
      {asksTension && <TensionAsk answer={tense} />}
      {asksRelief && <ReliefAsk title={session.reliefOf} relieve={relieve} />}
      {session.abc && !paper && <StageMusic abc={session.abc} label={`${cue.title}, engraved`} />}
      {paper && <StagePaper paper={paper} />}
      {/* Music, and what is asked, have the place of the day's picture. */}
      <Box
        display={{
          base: 'none',
          md: session.abc || paper || help || asksTension || asksRelief || recording.kept ? 'none' : 'block',
        }}
        css={{ [low]: { display: 'none' } }}
      >
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
      <StageBar
        session={session}
        yes={
          help
            ? helpChoices(help)[0]!.name
            : asksRelief
              ? 'the first'
              : yesName(session, heard, run.state !== null)
        }
        no={help ? 'go on' : asksRelief ? 'as it is' : noName(session, heard, run.state !== null)}
        clicking={sound.clicking}
        recording={recording.isOn}
        listening={listening.state !== 'off'}
        press={(key) =>
          key === '→' ? yes() : key === '←' ? no() : key === 'space' ? pause() : actions[key]?.()
        }
      />
      {seed && <MadeSheet seed={seed} close={() => setSeed(null)} />}
      {keysShown && (
        <KeySheet
          close={() => setKeysShown(false)}
          press={(key) => actions[key]?.()}
          choices={choices}
          trust={listening.trust}
        />
      )}
    </Flex>
  )
}
