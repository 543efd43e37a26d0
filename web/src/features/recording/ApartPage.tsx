import { Box, Flex, Text, Textarea } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import { Link, useParams } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Field } from '../../ui/Field'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { usePageKeys } from '../../ui/usePageKeys'
import { sayDay, sayTempo } from '../../ui/words'
import { output } from '../../sound/output'
import { SideBySide, type Lane, type Part } from './sideBySide'
import { decode, levelled, loudnessOf, peaksOf, playedSpan } from './sound'
import { Wave } from './Wave'

type View = Schemas['ApartView']

/** The first and the newest recording of a thing, equally loud, the same place in both. */
export function ApartPage() {
  const materialId = Number(useParams().id)
  const params = { path: { materialId } }
  const apart = api.useQuery('get', '/api/recordings/apart/{materialId}', { params }, { retry: false })
  if (apart.isPending) return <Outline />
  const view = apart.data
  if (!view || view.first.id === view.newest.id)
    return (
      <Page title={view?.title ?? 'Days apart'}>
        <Empty>
          {view?.words ?? 'Nothing was recorded of this yet. R on the stage records the next take.'}
        </Empty>
        <Text mt="3">
          <Link to="/music/recordings">To all recordings</Link>
        </Text>
      </Page>
    )
  return <Compared key={`${view.first.id} ${view.newest.id}`} view={view} />
}

interface Pair {
  lanes: readonly [Lane, Lane]
  peaks: readonly [Float32Array, Float32Array]
}

async function pairOf(view: View): Promise<Pair> {
  const rate = output().rawContext.sampleRate
  const buffers = await Promise.all([decode(view.first.id, rate), decode(view.newest.id, rate)])
  const samples = buffers.map((buffer) => buffer.getChannelData(0))
  const gains = levelled(loudnessOf(samples[0]!, rate), loudnessOf(samples[1]!, rate))
  const lanes = buffers.map((buffer, i) => ({ buffer, gain: gains[i]!, ...playedSpan(samples[i]!, rate) }))
  const peaks = lanes.map(({ from, to }, i) =>
    peaksOf(samples[i]!.subarray(Math.floor(from * rate), Math.ceil(to * rate))),
  )
  return { lanes: [lanes[0]!, lanes[1]!], peaks: [peaks[0]!, peaks[1]!] }
}

function Compared({ view }: { view: View }) {
  const [pair, setPair] = useState<Pair | null>(null)
  const [failed, setFailed] = useState('')
  const [playing, setPlaying] = useState<number | null>(null)
  const [loop, setLoop] = useState<Part | null>(null)
  const both = useRef<SideBySide | null>(null)
  useEffect(() => {
    let left = false
    pairOf(view).then(
      (made) => {
        if (left) return
        both.current = new SideBySide(made.lanes, () => setPlaying(null))
        setPair(made)
      },
      () => !left && setFailed('One of the two cannot be played here. Record it once more.'),
    )
    return () => {
      left = true
      both.current?.stop()
    }
  }, [view])
  const play = (lane: number, from?: number) => {
    both.current?.play(lane, from)
    setPlaying(lane)
  }
  const stop = () => {
    both.current?.stop()
    setPlaying(null)
  }
  const change = () => {
    if (playing === null) return play(1)
    both.current?.switch()
    setPlaying(1 - playing)
  }
  const choose = (next: Part | null) => {
    setLoop(next)
    both.current?.setLoop(next)
  }
  const mark = (end: 0 | 1) => {
    const here = both.current?.place()
    if (here === null || here === undefined) return
    const [a, b] = loop ?? [0, 1]
    if (end === 0 && here < b) choose([here, b])
    if (end === 1 && here > a) choose([a, here])
  }
  usePageKeys({
    a: () => mark(0),
    b: () => mark(1),
    ' ': playing === null ? () => play(0) : stop,
    ArrowRight: change,
    PageDown: change,
  })
  const lane = (i: 0 | 1, recording: Schemas['RecordingView'], name: string) => {
    const { from, to } = pair!.lanes[i]
    const long = to - from
    return (
      <Box mb="4">
        <Flex gap="4" align="baseline" wrap="wrap" mb="1">
          <Text fontWeight={700} color={playing === i ? 'accent' : undefined}>
            {name}: {sayDay(recording.day)}
          </Text>
          <Text color="faded">
            {[
              recording.tempo && sayTempo(recording.tempo, recording.beat),
              recording.clean === true ? 'clean' : recording.clean === false ? 'missed' : '',
              `${Math.round(long)} s`,
            ]
              .filter(Boolean)
              .join(' · ')}
          </Text>
        </Flex>
        <Wave
          label={`${name}, ${sayDay(recording.day)}`}
          peaks={pair!.peaks[i]}
          seconds={long}
          loop={loop ? [loop[0] * long, loop[1] * long] : null}
          choose={([a, b]) => choose([a / long, Math.min(1, b / long)])}
          go={(seconds) => play(i, seconds / long)}
          place={() => {
            const place = both.current?.lane === i ? both.current.place() : null
            return place === null ? null : place * long
          }}
        />
      </Box>
    )
  }
  return (
    <Page title={view.title} aside={<Text color="faded">{view.words}</Text>}>
      {failed && <Text role="alert">{failed}</Text>}
      {!pair && !failed && <Outline />}
      {pair && (
        <>
          {lane(0, view.first, 'The first')}
          {lane(1, view.newest, 'The newest')}
          <Flex gap="3" align="center" wrap="wrap">
            {playing === null ? (
              <>
                <Press look="strong" onClick={() => play(0)}>
                  Hear the first
                </Press>
                <Press onClick={() => play(1)}>Hear the newest</Press>
              </>
            ) : (
              <>
                <Press look="strong" onClick={change}>
                  → {playing === 0 ? 'the newest' : 'the first'}, from here on
                </Press>
                <Press onClick={stop}>Stop</Press>
                <Press onClick={() => mark(0)}>A is here</Press>
                <Press onClick={() => mark(1)}>B is here</Press>
              </>
            )}
            {loop && (
              <Press look="quiet" onClick={() => choose(null)}>
                All of it again
              </Press>
            )}
          </Flex>
          <Text color="faded" fontSize="0.92em" mt="2" maxW="80ch">
            Draw over one of the pictures to loop a stretch, or press A and B while it plays; it loops at the
            same place in both. Both are equally loud here. → or the right pedal changes, space stops.
          </Text>
          <Different view={view} />
        </>
      )}
    </Page>
  )
}

/** One line into the journal. */
function Different({ view }: { view: View }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [different, setDifferent] = useState('')
  const [kept, setKept] = useState(false)
  const [key] = useState(() => crypto.randomUUID())
  const keep = async () => {
    const body = { key, firstId: view.first.id, newestId: view.newest.id, different }
    if (!(await run(() => ask(client.POST('/api/recordings/apart', { body }))))) return
    setKept(true)
    await saved()
  }
  if (kept)
    return (
      <Text mt="6" role="status">
        Kept. <Link to="/journal">Read the journal</Link>
      </Text>
    )
  return (
    <Box as="section" aria-label="What is different" mt="6" maxW="640px">
      <Field label="What is different? One line goes into the journal." name="different">
        <Textarea
          rows={2}
          value={different}
          onChange={(event) => setDifferent(event.target.value)}
          placeholder="the low notes speak at once, bar 18 no longer hurries …"
        />
      </Field>
      <Press mt="3" look="strong" onClick={keep}>
        {different.trim() ? 'Keep the line' : 'Heard, nothing to write'}
      </Press>
      <Refusal problem={problem} />
    </Box>
  )
}
