import { Box, Flex, Text } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'
import { HeardStrip } from '../listening/HeardStrip'
import { simulated } from '../../sound/simulated'
import { StageButton, Told } from './StageParts'
import type { StageListening } from './useListening'

/** That the microphone listens, and what it made of the last take. */
export function StageHeard({ listening }: { listening: StageListening }) {
  const { state, word, away, heard, proposed } = listening
  return (
    <>
      {word && <Told dismiss={listening.dismiss}>{word}</Told>}
      {away && (
        <Told>The program does not answer; what you play waits here and is listened to when it is back.</Told>
      )}
      {state !== 'off' && !heard && (
        <Text role="status" color="stageAccent" fontSize="subheading">
          {light(listening)}
        </Text>
      )}
      {heard && (
        <Flex
          as="section"
          aria-label="The last take as it was heard"
          data-testid="heard"
          gap="5"
          align="center"
          wrap="wrap"
          border="1px solid"
          borderColor="stageLine"
          borderRadius="8px"
          px="4"
          py="1"
        >
          <Box flex="1" minW="260px">
            <Text fontSize="subheading" fontWeight={600} role="status">
              {verdict(listening)}
            </Text>
            {heard.faults.slice(0, 3).map((fault) => (
              <Text key={fault}>{fault}</Text>
            ))}
            {heard.faults.length > 3 && <Text>and {heard.faults.length - 3} more</Text>}
            <Text color="stageFaded">
              {[...played(heard), ...heard.timing, ...heard.intonation].join('; ')}
            </Text>
            {heard.help && !heard.cause && <Text color="stageAccent">{heard.help}</Text>}
            {heard.cause && (
              <HeardCause cause={heard.cause} taken={listening.causeTaken} take={listening.takeCause} />
            )}
          </Box>
          <HeardStrip heard={heard} />
          {state !== 'off' && <Text color="stageAccent">{light(listening)}</Text>}
          {!proposed && <StageButton keys="" name="go on" press={listening.forget} />}
        </Flex>
      )}
    </>
  )
}

/** What the last takes show to be missing; with its method the plan works on it, where the player says so. */
function HeardCause({
  cause,
  taken,
  take,
}: {
  cause: Schemas['HeardCauseView']
  taken: boolean
  take: () => void
}) {
  return (
    <Flex gap="3" align="center" wrap="wrap" color="stageAccent">
      <Text>
        {cause.words} {cause.remedy}
      </Text>
      {taken ? (
        <Text role="status">Noted as what is missing.</Text>
      ) : (
        <StageButton keys="" name={`note “${cause.name}”`} press={take} />
      )}
    </Flex>
  )
}

/** The tempo it was played at, where it was the player's own. */
const played = ({ playedTempo }: Schemas['HeardView']) =>
  playedTempo === null ? [] : [`played at ${playedTempo}, which counts`]

function light({ state, notes, said }: StageListening) {
  if (state === 'asking') return '● asking for the microphone'
  if (said.waits) return `● waits. ${said.word}`
  const who = simulated().on ? 'a simulated player is listened to' : 'the microphone listens'
  return `● ${who}${notes > 0 ? `, ${notes} ${notes === 1 ? 'note' : 'notes'}` : ''}${said.word && `. ${said.word}`}`
}

function verdict({ heard, proposed }: StageListening) {
  const said = heard!.clean ? 'clean' : 'missed'
  if (proposed) return `Heard: ${said}. It counts unless you say otherwise.`
  if (heard!.marked === null) return `Heard: ${said}. You say how it was.`
  // Meanwhile something else may be at hand.
  return heard!.marked === heard!.clean
    ? `${heard!.title}: heard ${said}, as you marked it.`
    : `${heard!.title}: heard ${said}; you marked it ${heard!.marked ? 'clean' : 'missed'}, and that counts.`
}
