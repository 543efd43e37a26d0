import { Box, Flex } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'
import { StageButton } from './StageParts'

interface Props {
  session: Schemas['SessionView']
  /** What the two arrows, and the two pedals, mean now. */
  yes: string
  no: string
  clicking: boolean
  recording: boolean
  listening: boolean
  /** Does what a key does. */
  press: (key: string) => void
}

/** The keys that matter now, each a button: for a finger, and to be seen. */
export function StageBar({ session, yes, no, clicking, recording, listening, press }: Props) {
  const { cue, running, written, sound, seed, drills, position } = session
  const keys: [key: string, sign: string, name: string][] = [
    ['→', '→', yes],
    ['←', '←', no],
    ['space', 'space', running ? 'pause' : 'go on'],
  ]
  if (cue?.countsTakes || !running) keys.push(['Enter', 'enter', 'done'])
  keys.push(['s', 'S', 'skip'], ['e', 'E', '+1 min'])
  if (sound && drills[position]?.area && !cue?.run) keys.push(['m', 'M', clicking ? 'no click' : 'click'])
  if (sound?.tuning) keys.push(['u', 'U', `tune: ${sound.tuning.words}`])
  if (drills[position]?.area && !session.question && running)
    keys.push(['r', 'R', recording ? 'stop recording' : 'record'])
  const isWritten = session.abc || (session.groove && !drills[position]?.ownBar)
  if (running && (listening || (cue?.countsTakes && isWritten)))
    keys.push(['h', 'H', listening ? 'no listening' : 'listen'])
  if (session.pages.length > 0) keys.push(['p', 'P', 'page'])
  if (written) keys.push(['x', 'X', written.settled ? 'not settled' : 'settled'])
  if (seed && drills[position]?.area === 'Play') keys.push(['k', 'K', 'keep what was made'])
  keys.push(['n', 'N', 'note'], ['l', 'L', 'shelf'])
  return (
    <Flex
      gap="1"
      wrap="wrap"
      align="center"
      position="sticky"
      bottom="0"
      bg={cue?.resting ? 'stageRest' : 'stage'}
      py="2"
      mb="-2"
    >
      {keys.map(([key, sign, name]) => (
        <StageButton key={key} keys={sign} name={name} press={() => press(key)} />
      ))}
      <Box flex="1" />
      <StageButton keys="?" name="all keys" press={() => press('?')} />
      <StageButton keys="esc" name="close" press={() => press('Escape')} />
    </Flex>
  )
}
