import { Flex, Text } from '@chakra-ui/react'
import { AsImagined } from '../recording/AsImagined'
import { Player } from '../recording/Player'
import { RecordingLight } from '../recording/RecordingLight'
import type { useStageRecording } from './useStageRecording'
import { StageButton, Told } from './StageParts'

type Props = { recording: ReturnType<typeof useStageRecording> }

/** The recording under way, or the one just made, with one's own two answers. */
export function StageRecorded({ recording }: Props) {
  const { state, word, kept, forget, dismiss } = recording
  return (
    <>
      {word && <Told dismiss={dismiss}>{word}</Told>}
      {state !== 'off' && (
        <Flex color="stageAccent">
          <RecordingLight recording={recording} />
        </Flex>
      )}
      {kept && state === 'off' && (
        <Flex
          as="section"
          aria-label="Just recorded"
          data-testid="recorded"
          gap="5"
          align="center"
          wrap="wrap"
          border="1px solid"
          borderColor="stageLine"
          borderRadius="8px"
          px="4"
          py="2"
        >
          <Text>Recorded: hear it.</Text>
          <Player recording={kept} dark />
          <AsImagined key={kept.id} recording={kept} dark />
          <StageButton keys="R" name="once more" press={recording.toggle} />
          <StageButton keys="" name="go on" press={forget} />
        </Flex>
      )}
    </>
  )
}
