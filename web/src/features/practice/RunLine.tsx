import { Flex, Text, chakra } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'
import type { RunState } from './useRun'

interface Props {
  run: Schemas['RunCue']
  state: RunState | null
}

/** The keys, chords or positions of a run in their order, the one at hand lit. */
export function RunLine({ run, state }: Props) {
  return (
    <>
      <Flex as="ol" gap="3" wrap="wrap" mt="4" data-testid="run">
        {run.steps.map((step, i) => (
          <chakra.li
            key={i}
            fontSize={{ base: 'subheading', md: 'heading' }}
            px="3"
            py="1"
            borderRadius="6px"
            border="2px solid"
            borderColor={state?.step === i ? 'stageAccent' : 'stageLine'}
            color={state && i < state.step ? 'stageFaded' : 'stageText'}
            aria-current={state?.step === i ? 'step' : undefined}
          >
            {step}
          </chakra.li>
        ))}
      </Flex>
      <Text fontSize="subheading" color="stageFaded" mt="3" aria-live="polite" data-testid="run-says">
        {says(run, state)}
      </Text>
    </>
  )
}

function says(run: Schemas['RunCue'], state: RunState | null) {
  if (!state)
    return run.beatsEach > 0
      ? `→ starts the click, one bar counted in, ${run.beatsEach} beats each`
      : '→ starts the clock, → again for each that is found'
  if (run.beatsEach === 0)
    return state.count >= 0
      ? `${state.count} seconds left`
      : `${-state.count} seconds over: find them all the same`
  if (state.step < 0) return 'counting in'
  return state.late > 0 ? `${state.late} late so far` : '← marks one that came late'
}
