import { chakra, Flex, Text } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { HearIt } from '../../sound/HearIt'
import type { Midi } from '../../sound/useMidi'
import { soundKey } from '../../sound/keySound'
import { SoundBlocked } from '../../sound/SoundBlocked'
import { tapDelay } from '../../sound/tapDelay'
import { Bars } from '../../ui/Bars'
import { Keys } from '../../ui/Keys'
import { Outline } from '../../ui/Outline'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { useTitle } from '../../ui/usePageChange'
import { sayTempo } from '../../ui/words'
import { DeskFrame } from '../practice/DeskFrame'
import { DeskKey } from '../practice/DeskKey'
import { useDesk, type Leave } from '../practice/useDesk'
import { useSettled } from '../practice/useSettled'
import { useStageKeys } from '../practice/useStageKeys'
import { HowWasIt } from './HowWasIt'
import { Looking } from './Looking'
import type { Thing } from './pointing'
import { ReadingHead } from './ReadingHead'
import { Unseen } from './Unseen'
import type { How } from './usePlaying'
import { useReadingDesk } from './useReadingDesk'
import { wishFrom } from './wish'

type Music = Schemas['NewMusicView']

/** Unseen music, one piece after the other: look, count in, read without stopping, say which bars were not on time. */
export function ReadingDeskPage() {
  const [search] = useSearchParams()
  const book = api.useQuery('get', '/api/reading')
  const leave = useDesk('NewMusic', null, { name: 'back to sight reading', to: '/craft/reading' })
  const { problem, run } = useProblem()
  const [music, setMusic] = useState<Music | null>(null)
  const [read, setRead] = useState(false)
  const next = async () => {
    const made = await run(() =>
      ask(client.POST('/api/reading/new', { body: { ...wishFrom(search), lowest: '', highest: '' } })),
    )
    if (made) setMusic(made)
  }
  const began = useRef(false)
  useEffect(() => {
    if (began.current) return
    began.current = true
    void next()
  })
  if (problem)
    return (
      <chakra.main id="main" p="8">
        <Refusal problem={problem} />
        <Press mt="4" onClick={() => void leave.go(read)}>
          {leave.name}
        </Press>
      </chakra.main>
    )
  if (!music || !book.data) return <Outline />
  return (
    <Desk
      key={music.seed.seed}
      music={music}
      book={book.data}
      leave={{ ...leave, go: () => leave.go(read) }}
      numbers={numbersFrom(search)}
      kept={() => setRead(true)}
      next={() => void next()}
    />
  )
}

interface DeskProps {
  music: Music
  book: Schemas['ReadingBook']
  /** From here the drill is done when something was read. */
  leave: Omit<Leave, 'go'> & { go: () => Promise<void> }
  /** Part of the bars that a player made of numbers gets wrong, who takes one's place; null for oneself. */
  numbers: number | null
  kept: () => void
  next: () => void
}

/** "?stand-in=0.2": a player made of numbers reads, for showing and trying out. */
const numbersFrom = (search: URLSearchParams) => {
  const part = Number.parseFloat(search.get('stand-in') ?? '')
  return part >= 0 && part <= 1 ? part : null
}

function Desk({ music, book, leave, numbers, kept, next }: DeskProps) {
  const desk = useReadingDesk({ music, ahead: book.coverAhead ?? null, numbers, kept })
  const { step, how, tempo, ahead, wrong, counted, words, marked, bar } = desk
  const [found, setFound] = useState<Thing[]>([])
  const find = (thing: Thing) => setFound((all) => (all.includes(thing) ? all : [...all, thing]))
  // While the rhythm is tapped each key is a tap.
  const taps = step === 'run' && how === 'tap'
  const settled = useSettled(step)
  const yes = {
    look: desk.start,
    run: () => {},
    ask: () => settled(() => void desk.keep()),
    mark: () => settled(() => void desk.keep()),
    kept: () => settled(next),
    stopped: () => settled(next),
  }[step]
  const no = {
    look: () => void leave.go(),
    run: desk.lost,
    ask: () => settled(desk.some),
    mark: () => {},
    kept: () => void leave.go(),
    stopped: () => void leave.go(),
  }[step]
  useStageKeys(
    {
      yes,
      no: taps ? () => {} : no,
      pause: () => step === 'run' && !taps && desk.stop(),
      letters: {
        ArrowUp: () => desk.faster(2),
        ArrowDown: () => desk.faster(-2),
        t: desk.other,
        k: () => (step === 'kept' ? void desk.shelve() : undefined),
        o: () => (step === 'kept' || step === 'stopped') && desk.again(),
        c: desk.cover,
        d: () => step === 'look' && desk.duet(),
        Enter: () =>
          step === 'run' || step === 'ask' ? undefined : step === 'kept' ? void leave.go() : yes(),
        Escape: () => (taps || step === 'ask' ? desk.stop() : void leave.go()),
      },
    },
    true,
  )
  useTitle(`${music.title}, at sight`)
  const right = music.bars - wrong.length
  return (
    <DeskFrame>
      <Flex justify="space-between" color="stageFaded" gap="4" wrap="wrap">
        <Text>Sight reading · {music.askedWords}</Text>
        <Text>
          {sayTempo(tempo, music.beat)} · {coverWords(ahead)}
        </Text>
      </Flex>
      <ReadingHead
        title={music.title}
        touch={() => find('title')}
        bar={step === 'run' ? bar : undefined}
        now={
          {
            look: 'Look: time, key, tempo, the highest and the oddest place.',
            run:
              bar === 0
                ? how === 'tap'
                  ? 'Counting in; then tap anywhere, or any key'
                  : 'Counting in'
                : 'On and on. Do not repair.',
            ask: 'How was it?',
            mark: 'Which bars came late or wrong? Touch them.',
            kept: counted
              ? `${right} of ${music.bars} bars on time. ${words}`
              : 'Read once more: this one is not counted.',
            stopped: 'You stopped: nothing is kept, and your level stays.',
          }[step]
        }
      >
        {step === 'look' && <Looking music={music} found={found} find={find} />}
      </ReadingHead>
      <Unseen
        music={music}
        sounding={step === 'run' ? bar : null}
        ahead={ahead}
        notes={marked?.notes ?? none}
        beside={how === 'keys'}
        point={step === 'look' ? find : undefined}
      />
      {how === 'keys' && music.keys && (step === 'look' || step === 'run') && (
        <Flex justify="center">
          <Keys
            keys={music.keys}
            height={music.bothHands ? '90px' : undefined}
            press={(midi, ago) => {
              soundKey(midi)
              desk.key(midi, ago)
            }}
          />
        </Flex>
      )}
      {step === 'look' && <Listening how={how} midi={desk.midi} />}
      {step === 'run' && desk.midi.state === 'gone' && (
        <Text role="alert">{desk.midi.name} is gone. It runs on; afterwards mark the bars yourself.</Text>
      )}
      {marked && step !== 'run' && marked.words && <Text data-testid="late-words">{marked.words}</Text>}
      {desk.failed && <Text role="alert">The click could not be loaded. Press once more to try again.</Text>}
      {desk.alone && step === 'run' && (
        <Text role="alert">The second voice could not be loaded; the click runs alone.</Text>
      )}
      <SoundBlocked />
      <Refusal problem={desk.problem} />
      {step === 'mark' && <Bars count={music.bars} wrong={wrong} toggle={desk.toggle} />}
      {(step === 'ask' || step === 'mark' || step === 'kept') && (
        <Flex>
          <HearIt notes={music.played} tempo={tempo} />
        </Flex>
      )}
      <Flex gap="3" wrap="wrap" mt="auto">
        {step === 'look' && (
          <>
            <DeskKey name="begin" keys="→" press={desk.start} />
            <DeskKey name="slower" keys="↓" press={() => desk.faster(-2)} />
            <DeskKey name="faster" keys="↑" press={() => desk.faster(2)} />
            <DeskKey name={howWords[how]} keys="T" press={desk.other} />
            <DeskKey name={coverWords(ahead)} keys="C" press={desk.cover} />
            {desk.second !== null && (
              <DeskKey
                name={desk.second ? 'with a second voice' : 'without a second voice'}
                keys="D"
                press={desk.duet}
              />
            )}
          </>
        )}
        {step === 'run' && <DeskKey name="lost here" keys={how === 'tap' ? '' : '←'} press={desk.lost} />}
        {step === 'ask' && <HowWasIt right={() => void desk.keep()} some={desk.some} />}
        {step === 'mark' && (
          <DeskKey
            name={counted ? `keep: ${right} of ${music.bars} on time` : 'go on'}
            keys="→"
            press={() => void desk.keep()}
          />
        )}
        {(step === 'kept' || step === 'stopped') && (
          <>
            <DeskKey name="the next one" keys="→" press={next} />
            <DeskKey name="this one once more, not counted" keys="O" press={desk.again} />
          </>
        )}
        {step === 'kept' && (
          <>
            {desk.shelved ? (
              <Text alignSelf="center">It is on the shelf.</Text>
            ) : (
              <DeskKey name="to the shelf" keys="K" press={() => void desk.shelve()} />
            )}
          </>
        )}
        <DeskKey
          name={step === 'ask' ? 'I stopped: keep nothing' : leave.name}
          keys={step === 'kept' || step === 'stopped' ? '←' : 'esc'}
          press={() => void (step === 'ask' ? desk.stop() : leave.go())}
        />
      </Flex>
    </DeskFrame>
  )
}

const howWords: Record<How, string> = {
  self: 'marked by yourself',
  tap: 'tap its rhythm',
  keys: 'played on these keys',
  midi: 'played on a MIDI keyboard',
}

const coverWords = (ahead: number | null) =>
  ahead === null
    ? 'nothing is covered'
    : ahead === 0
      ? 'bars are covered as they sound'
      : `covered ${ahead === 1 ? 'one bar' : 'two bars'} ahead`

const none: readonly Schemas['FollowedNote'][] = []

/** What there is to know before it is listened to. */
function Listening({ how, midi }: { how: How; midi: Midi }) {
  if (how === 'tap')
    return tapDelay() === null ? (
      <Text color="stageFaded">
        How late this machine hears a tap is not known yet: <Link to="/craft/sound">tap 16 clicks</Link> once,
        and what is early or late is true to it.
      </Text>
    ) : null
  if (how !== 'midi' || midi.state === 'off') return null
  return (
    <Text color="stageFaded" role="status">
      {midi.state === 'on'
        ? `Listening to ${midi.name}.`
        : midi.state === 'gone'
          ? `${midi.name} is gone. Connect it again, or mark it by key.`
          : midi.why}
    </Text>
  )
}
