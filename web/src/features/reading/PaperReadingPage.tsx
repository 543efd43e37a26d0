import { Box, Flex, Text } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useParams } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { SoundBlocked } from '../../sound/SoundBlocked'
import { Bars } from '../../ui/Bars'
import { Outline } from '../../ui/Outline'
import { NumberInput } from '../../ui/NumberInput'
import { Refusal, useProblem } from '../../ui/refusal'
import { useTitle } from '../../ui/usePageChange'
import { DeskFrame } from '../practice/DeskFrame'
import { DeskKey } from '../practice/DeskKey'
import { useAwakeSeconds } from '../practice/useAwakeSeconds'
import { useDesk } from '../practice/useDesk'
import { useSettled } from '../practice/useSettled'
import { useStageKeys } from '../practice/useStageKeys'
import { LookLeft } from './Looking'
import { ReadingHead } from './ReadingHead'
import { HowWasIt } from './HowWasIt'
import { useReading } from './useReading'

/** Examples of a book on paper, one after the other: look, count in, read to the click, say which bars were late. */
export function PaperReadingPage() {
  const id = Number(useParams().id)
  const paper = api.useQuery('get', '/api/reading/paper/{id}', { params: { path: { id } } })
  const session = api.useQuery('get', '/api/session')
  const leave = useDesk('Paper', id, { name: 'back to the music', to: '/music' })
  const at = session.data?.drills[session.data.position]
  if (!paper.data || session.isPending) return <Outline />
  const drill = at?.desk?.kind === 'Paper' && at.desk.materialId === id ? session.data! : null
  return (
    <Example
      // Each example begins anew, with what was kept of the one before.
      key={drill ? `${drill.position}:${drill.cue?.title}` : 'alone'}
      id={id}
      paper={paper.data}
      session={drill}
      leave={() => void leave.go(drill?.cue?.complete ?? false)}
      leaveName={leave.name}
    />
  )
}

interface ExampleProps {
  id: number
  paper: Schemas['PaperView']
  /** The sitting in which this is a drill; null where one reads by oneself. */
  session: Schemas['SessionView'] | null
  leave: () => void
  leaveName: string
}

type Step = 'look' | 'run' | 'ask' | 'mark' | 'stopped'

function Example({ id, paper, session, leave, leaveName }: ExampleProps) {
  const queries = useQueryClient()
  const { problem, run } = useProblem()
  const [wanted, setStep] = useState<Step>('look')
  const [bars, setBars] = useState(paper.bars)
  const [beats, setBeats] = useState(paper.beats)
  const [tempo, setTempo] = useState(paper.tempo)
  const [wrong, setWrong] = useState<number[]>([])
  const spent = useAwakeSeconds()
  const reading = useReading(beats, bars, () => setStep(wrong.length > 0 ? 'mark' : 'ask'))
  const step = wanted === 'run' && reading.failed ? 'look' : wanted
  const title = session?.cue?.title ?? paper.title
  useTitle(`${title}, at sight`)
  const start = () => {
    setStep('run')
    void reading.start(tempo)
  }
  const mark = (bar: number) => setWrong((all) => (all.includes(bar) ? all : [...all, bar]))
  const lost = () => reading.bar && mark(reading.bar)
  const toggle = (bar: number) =>
    setWrong((all) => (all.includes(bar) ? all.filter((one) => one !== bar) : [...all, bar]))
  /** Stopped on the way: what was not played is no verdict. */
  const stop = () => {
    reading.stop()
    setStep('stopped')
  }
  const keep = async () => {
    const params = { path: { id } }
    const marked = await run(() =>
      ask(client.POST('/api/reading/paper/{id}', { params, body: { bars, beats, tempo, wrong } })),
    )
    if (!marked) return
    await queries.invalidateQueries({
      queryKey: api.queryOptions('get', '/api/reading/paper/{id}', { params }).queryKey,
    })
    if (!session) return leave()
    const drill = session.drills[session.position]!
    const body = {
      id: crypto.randomUUID(),
      sessionId: session.id,
      position: session.position,
      playedSeconds: drill.playedSeconds + spent(),
      kind: marked.isClean ? ('Clean' as const) : ('Missed' as const),
      key: session.target?.key,
    }
    const now = await run(() => ask(client.POST('/api/session/act', { body })))
    if (!now) return
    queries.setQueryData(api.queryOptions('get', '/api/session').queryKey, now)
    if (now.position !== session.position || now.cue?.complete) leave()
  }
  const settled = useSettled(step)
  const again = () => {
    setWrong([])
    start()
  }
  const yes = {
    look: start,
    run: () => {},
    ask: () => settled(() => void keep()),
    mark: () => settled(() => void keep()),
    stopped: again,
  }[step]
  const no = {
    look: leave,
    run: lost,
    ask: () => settled(() => setStep('mark')),
    mark: () => {},
    stopped: leave,
  }[step]
  useStageKeys(
    {
      yes,
      no,
      pause: () => step === 'run' && stop(),
      letters: { Enter: () => step !== 'run' && yes(), Escape: () => (step === 'run' ? stop() : leave()) },
    },
    true,
  )
  return (
    <DeskFrame>
      <Text color="stageFaded">Sight reading on paper</Text>
      <ReadingHead
        title={title}
        bar={step === 'run' ? reading.bar : undefined}
        now={
          {
            look: 'Look: time, key, tempo, the highest and the oddest place.',
            run: reading.bar === 0 ? 'Counting in' : 'On and on. Do not repair.',
            ask: 'How was it?',
            mark: 'Which bars came late or wrong? Touch them.',
            stopped: 'You stopped: nothing is kept.',
          }[step]
        }
      >
        {step === 'look' && <LookLeft seconds={paper.lookSeconds} />}
      </ReadingHead>
      <Box my="auto">
        {step === 'look' && (
          <Flex gap="6" wrap="wrap" align="end">
            <Whole label="Bars" value={bars} most={64} set={setBars} />
            <Whole label="Beats a bar" value={beats} most={16} set={setBeats} />
            <Whole label="Tempo" value={tempo} least={20} most={400} set={setTempo} />
            <Text color="stageFaded" maxW="40ch">
              Kept for this book. Slower than feels necessary.
            </Text>
          </Flex>
        )}
        {step === 'mark' && <Bars count={bars} wrong={wrong} toggle={toggle} />}
      </Box>
      {reading.failed && (
        <Text role="alert">The click could not be loaded. Press once more to try again.</Text>
      )}
      <SoundBlocked />
      <Refusal problem={problem} />
      <Flex gap="3" wrap="wrap">
        {step === 'look' && <DeskKey name="begin" keys="→" press={start} />}
        {step === 'run' && <DeskKey name="lost here" keys="←" press={() => lost()} />}
        {step === 'run' && <DeskKey name="stop here" keys="esc" press={stop} />}
        {step === 'ask' && <HowWasIt right={() => void keep()} some={() => setStep('mark')} />}
        {step === 'mark' && (
          <DeskKey
            name={`keep: ${bars - wrong.length} of ${bars} on time`}
            keys="→"
            press={() => void keep()}
          />
        )}
        {step === 'stopped' && <DeskKey name="read it again" keys="→" press={again} />}
        {step !== 'run' && (
          <DeskKey name={step === 'ask' ? 'I stopped: keep nothing' : leaveName} keys="esc" press={leave} />
        )}
      </Flex>
    </DeskFrame>
  )
}

function Whole({
  label,
  value,
  least = 1,
  most,
  set,
}: {
  label: string
  value: number
  least?: number
  most: number
  set: (value: number) => void
}) {
  return (
    <Box>
      <Text fontSize="0.9em" color="stageFaded" mb="1">
        {label}
      </Text>
      <NumberInput
        label={label}
        value={value}
        min={least}
        max={most}
        onChange={(next) => set(Math.min(most, Math.max(least, next)))}
      />
    </Box>
  )
}
