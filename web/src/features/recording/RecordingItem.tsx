import { Box, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import { ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Fold } from '../../ui/Fold'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { sayClock, sayDay, sayTempo } from '../../ui/words'
import { AsImagined } from './AsImagined'
import { Player } from './Player'
import { useRecordingRemoval } from './useRecordingRemoval'

interface Props {
  recording: Schemas['RecordingView']
  /** Whether to say what was played: not where that stands above. */
  named?: boolean
}

/** One line of a list of recordings; opened, it is heard and spoken of. */
export function RecordingItem({ recording, named }: Props) {
  const [open, setOpen] = useState(false)
  const saved = useSaved()
  const remove = useRecordingRemoval(recording, `${recording.title}, ${sayDay(recording.day)}`)
  const { problem, run } = useProblem()
  const params = { path: { id: recording.id } }
  const mark = async () => {
    const body = {
      asImagined: recording.asImagined,
      change: recording.change,
      isMarked: !recording.isMarked,
    }
    if (await run(() => ask(client.PUT('/api/recordings/{id}', { params, body }))))
      await saved('/api/recordings')
  }
  const facts = [
    sayClock(Math.floor(recording.seconds)),
    recording.tempo && sayTempo(recording.tempo, recording.beat),
    recording.clean === true ? 'clean' : recording.clean === false ? 'missed' : '',
    recording.method,
    recording.name !== recording.title && recording.name,
    recording.asImagined === true ? 'as imagined' : recording.asImagined === false && 'not yet as imagined',
    recording.change,
  ].filter(Boolean)
  return (
    <Box borderBottom="1px solid" borderColor="line" py="1">
      <Flex gap="4" align="center" wrap="wrap">
        <Fold open={open} toggle={() => setOpen(!open)}>
          <Text as="span" whiteSpace="nowrap" fontWeight={600}>
            {sayDay(recording.day)}
          </Text>
          {named && <Text as="span">{recording.title}</Text>}
        </Fold>
        <Text color="faded" flex="1" minW="0">
          {facts.join(' · ')}
        </Text>
        {recording.isMarked && <Text color="accent">kept</Text>}
      </Flex>
      {recording.word && <Text color="faded">{recording.word}</Text>}
      {open && (
        <Flex direction="column" gap="3" pl="6" pb="3" pt="1">
          {recording.isThere && <Player recording={recording} />}
          <AsImagined key={recording.change} recording={recording} />
          <Flex gap="5" align="center" wrap="wrap">
            <Press look="quiet" minH="42px" aria-pressed={recording.isMarked} onClick={mark}>
              {recording.isMarked ? 'Kept whatever the room: no longer' : 'Keep it, whatever the room'}
            </Press>
            <Link to={`/music/songs/${recording.id}`}>Slow it down, loop it</Link>
            <Text color="faded">{recording.room}</Text>
            <Press look="quiet" minH="42px" onClick={() => run(remove)}>
              Remove
            </Press>
          </Flex>
          <Refusal problem={problem} />
        </Flex>
      )}
    </Box>
  )
}
