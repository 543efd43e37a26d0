import { Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'

interface Props {
  recording: Schemas['RecordingView']
  /** On the dark stage. */
  dark?: boolean
}

/** One's own two answers: is it as it was imagined, and if not, what would have to change? */
export function AsImagined({ recording, dark }: Props) {
  const causes = api.useQuery('get', '/api/pieces/causes')
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [said, setSaid] = useState({ asImagined: recording.asImagined, change: recording.change })
  const say = async (asImagined: boolean, change: string) => {
    const params = { path: { id: recording.id } }
    const body = { asImagined, change, isMarked: recording.isMarked }
    const kept = await run(() => ask(client.PUT('/api/recordings/{id}', { params, body })))
    if (!kept) return
    setSaid({ asImagined, change })
    await saved('/api/recordings', '/api/recordings/apart/{materialId}', '/api/pieces/{id}')
  }
  const look = (on: boolean) =>
    dark
      ? { borderColor: 'stageEdge', bg: on ? 'stageChosen' : undefined, _hover: { bg: 'stageHover' } }
      : { look: on ? ('strong' as const) : undefined }
  return (
    <Flex direction="column" gap="2">
      <Flex gap="2" align="center" wrap="wrap" role="group" aria-label="Is it as you imagined it?">
        <Text mr="2">Is it as you imagined it?</Text>
        <Press
          minH="42px"
          aria-pressed={said.asImagined === true}
          {...look(said.asImagined === true)}
          onClick={() => say(true, '')}
        >
          yes
        </Press>
        <Press
          minH="42px"
          aria-pressed={said.asImagined === false}
          {...look(said.asImagined === false)}
          onClick={() => say(false, said.change)}
        >
          not yet
        </Press>
      </Flex>
      {said.asImagined === false && (
        <Flex gap="2" align="center" wrap="wrap" role="group" aria-label="What would have to change?">
          <Text mr="2">What would have to change?</Text>
          {(causes.data ?? []).map((cause) => (
            <Press
              key={cause.name}
              minH="42px"
              px="3"
              aria-pressed={said.change === cause.name}
              {...look(said.change === cause.name)}
              onClick={() => say(false, cause.name)}
            >
              {cause.name}
            </Press>
          ))}
        </Flex>
      )}
      <Refusal problem={problem} />
    </Flex>
  )
}
