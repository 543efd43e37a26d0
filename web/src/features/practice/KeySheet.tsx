import { Box, Flex, Text } from '@chakra-ui/react'
import { Tick } from '../../ui/Tick'
import type { Schemas } from '../../api/client'
import { Press } from '../../ui/Press'
import { Sheet } from '../../ui/Sheet'
import type { StageChoices } from './useStageChoices'

interface Row {
  /** Key and its sign; pressed with a finger it does the same. */
  keys: [key: string, sign: string][]
  what: string
}

const rows: Row[] = [
  { keys: [['Enter', 'enter']], what: 'this drill is done' },
  { keys: [['s', 'S']], what: 'skip this drill' },
  { keys: [['b', 'B']], what: 'back to the drill before' },
  { keys: [['z', 'Z']], what: 'take the last result back' },
  { keys: [['e', 'E']], what: 'one minute more' },
  { keys: [[',', ','], ['.', '.']], what: 'missed: too early, or too late' }, // prettier-ignore
  { keys: [['a', 'A']], what: 'again later today: in the next sitting' },
  { keys: [['w', 'W']], what: 'again tomorrow, among the first' },
  { keys: [['-', '−'], ['+', '+']], what: 'tempo by two; up and down arrows by one' }, // prettier-ignore
  { keys: [['1', '1'], ['2', '2'], ['3', '3']], what: 'readiness: raw, taking shape, concert-ready' }, // prettier-ignore
  { keys: [['t', 'T']], what: 'tension, then 0 to 3, none to high: the tempo follows' },
  { keys: [['j', 'J']], what: 'this annoys me: then less of it from tomorrow' },
  { keys: [['y', 'Y']], what: 'where it is offered: the exercise goes on to its next station' },
  { keys: [['m', 'M']], what: 'click on and off' },
  { keys: [['d', 'D']], what: 'drone on and off' },
  { keys: [['r', 'R']], what: 'record the next take, and stop; where something is asked, hear it again' },
  { keys: [['h', 'H']], what: 'listen to takes by the microphone, and stop' },
  { keys: [['u', 'U']], what: 'in the first warm-up: the tuning note, or the open strings' },
  { keys: [['n', 'N']], what: 'write a note' },
  { keys: [['x', 'X']], what: 'what was written last time is settled' },
  { keys: [['p', 'P']], what: 'the page on paper, the next one, none' },
  { keys: [['k', 'K']], what: 'keep what was made: notes or a groove, as they came' },
  { keys: [['l', 'L']], what: 'put an idea on the shelf' },
  { keys: [['Escape', 'esc']], what: 'close the session' },
]

/** Pressed more than once, one after the other: the sheet stays. */
const staying = ['+', '-']

interface Props {
  close: () => void
  /** Does what a key does. */
  press: (key: string) => void
  choices: StageChoices
  /** How far what is heard agrees with the player; not there while nothing is listened to. */
  trust?: Schemas['TrustView']
}

/** Every key of the stage, with what it does; each is a button too, for a tablet without keyboard. */
export function KeySheet({ close, press, choices: { letters, holdRecords, asLight, marks }, trust }: Props) {
  const soFar = trust ? `, ${trust.agreed} so far` : ''
  return (
    <Sheet title="Keys, pedal and fingers" close={close}>
      <Text mb="3">
        <b>→ or the right pedal</b> says yes: clean, right, done, go on. <b>← or the left pedal</b> says no:
        missed, wrong, late, back. <b>Held</b>, either means {holdRecords.on ? 'record' : 'pause, like space'}
        . <b>G</b> plays a groove.
      </Text>
      <Box display="grid" gridTemplateColumns={{ base: '1fr', md: '1fr 1fr' }} columnGap="8" rowGap="1">
        {rows.map(({ keys, what }) => (
          <Flex key={what} gap="2" align="center">
            {keys.map(([key, sign]) => (
              <Press
                key={key}
                minH="40px"
                minW="46px"
                px="2"
                aria-label={`${sign}: ${what}`}
                onClick={() => {
                  if (!staying.includes(key)) close()
                  press(key)
                }}
              >
                {sign}
              </Press>
            ))}
            <Text fontSize="0.95em">{what}</Text>
          </Flex>
        ))}
      </Box>
      <Tick
        mt="4"
        label="Single letters, figures and signs work as keys. Off, only arrows, pedal, space, enter and esc do."
        on={letters.on}
        set={letters.set}
      />
      <Tick
        label="A pedal button that is held records, and does not pause."
        on={holdRecords.on}
        set={holdRecords.set}
      />
      <Tick
        label="While it records the click is only seen, not heard: without headphones it would be on the recording."
        on={asLight.on}
        set={asLight.set}
      />
      <Tick
        label={
          trust?.mayMark
            ? 'What is heard marks a take after two seconds, unless you say otherwise.'
            : `What is heard marks a take: when ${trust?.needed ?? 20} verdicts agreed with you${soFar}.`
        }
        on={marks.on && (trust?.mayMark ?? false)}
        set={(on) => trust?.mayMark && marks.set(on)}
      />
    </Sheet>
  )
}
