import { Flex, Text, VisuallyHidden, chakra } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'
import type { RunState } from './useRun'

interface Props {
  run: Schemas['RunCue']
  state: RunState | null
}

/** The keys, chords or positions of a run in their order, the one at hand lit; of a shuttle the row of all of them. */
export function RunLine({ run, state }: Props) {
  const row = run.row ?? []
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
            textDecoration={state?.late.includes(i) ? 'underline wavy' : undefined}
            aria-current={state?.step === i ? 'step' : undefined}
          >
            {step}
          </chakra.li>
        ))}
      </Flex>
      {row.length > 0 && !run.isRepair && (
        <Flex as="ul" gap="1.5" wrap="wrap" mt="3" aria-label="All of them" data-testid="run-row">
          {row.map(({ name, isInSet, isThrough }) => (
            <chakra.li
              key={name}
              listStyleType="none"
              px="1.5"
              borderBottom="3px solid"
              borderColor={isInSet ? 'stageAccent' : isThrough ? 'stageText' : 'stageLine'}
              color={isInSet || isThrough ? 'stageText' : 'stageFaded'}
            >
              {name}
              {isThrough && <VisuallyHidden> is through</VisuallyHidden>}
            </chakra.li>
          ))}
        </Flex>
      )}
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
  if (state.repairs) return 'repair it; → goes on from here, one bar counted in'
  if (state.step < 0) return 'counting in'
  return state.late.length > 0
    ? `${state.late.length} late so far`
    : '← marks one that came late, → stops to repair it'
}
