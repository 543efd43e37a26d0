import { Box, Flex, Text } from '@chakra-ui/react'
import { soundKey } from '../../sound/keySound'
import { Keys } from '../../ui/Keys'
import { Press } from '../../ui/Press'
import type { RoundState } from './useEarRound'

/** The notes of a key, to be given one after the other: by figure, letter, key or keyboard. */
export function LineNotes({ round }: { round: RoundState }) {
  const { given, question, step, midi } = round
  const line = question?.line
  if (!line) return null
  return (
    <>
      <Text mt="6" fontSize="2rem" minH="1.5em" data-testid="given" aria-live="polite">
        {given.map(({ label }) => label).join(' ')}{' '}
        {step.at === 'ask' &&
          Array(line.notes - given.length)
            .fill('–')
            .join(' ')}
      </Text>
      <Flex gap="3" wrap="wrap" mt="3" role="group" aria-label="Degrees">
        {line.steps.map(({ degree, letter }, i) => (
          <Press
            key={degree}
            aria-label={`${degree}, ${letter}`}
            minH="64px"
            minW="64px"
            fontSize="1.2rem"
            borderColor="stageEdge"
            _hover={{ bg: 'stageHover' }}
            onClick={() => round.giveStep(i)}
          >
            {degree}
            <Text as="span" color="stageFaded" fontWeight={400}>
              {letter}
            </Text>
          </Press>
        ))}
        <Press minH="64px" borderColor="stageEdge" _hover={{ bg: 'stageHover' }} onClick={round.takeBack}>
          take one back
        </Press>
      </Flex>
      <Box mt="5">
        <Keys
          keys={line.keys}
          press={(note) => {
            soundKey(note)
            round.play(note)
          }}
        />
      </Box>
      {midi.state !== 'off' && (
        <Text mt="3" color="stageFaded" role="status">
          {midi.state === 'on'
            ? `Listening to ${midi.name}.`
            : midi.state === 'gone'
              ? `${midi.name} is gone. Connect it again, or give the notes here.`
              : midi.why}
        </Text>
      )}
    </>
  )
}
