import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { usePitched } from '../../api/usePitched'
import type { Simulated } from '../../sound/simulated'
import { Field } from '../../ui/Field'
import { NumberInput } from '../../ui/NumberInput'
import { Select } from '../../ui/Select'
import { Tick } from '../../ui/Tick'

/** What is chosen in figures, within which bounds, and whether it needs pitch. */
const figures = [
  ['lateMs', 'late, in ms', -200, 200],
  ['jitterMs', 'spread, in ms', 0, 100],
  ['rushMs', 'rushes by, in ms', -300, 300],
  ['cents', 'sharp, in cents', -60, 60, true],
  ['wrong', 'wrong notes', 0, 20, true],
  ['missing', 'notes left out', 0, 20],
] as const

/** A simulated player instead of a microphone, kept in this browser. */
export function SimulatedPlayer({
  chosen,
  choose,
}: {
  chosen: Simulated
  choose: (next: Simulated) => void
}) {
  const isPitched = usePitched()
  const change = (part: Partial<Simulated>) => choose({ ...chosen, ...part })
  return (
    <Box as="section" aria-label="A simulated player">
      <chakra.h2 fontSize="subheading">A simulated player</chakra.h2>
      <Text maxW="60ch" fontSize="0.95em" mb="2">
        To try listening without a microphone: it plays what is at hand when the stage listens, the notes to
        tune to, and claps. What is heard of it is marked as such and says nothing about you.
      </Text>
      <Tick label="Listen to it instead of the microphone" on={chosen.on} set={(on) => change({ on })} />
      {chosen.on && (
        <>
          <Flex gap="4" wrap="wrap" mt="2" align="end">
            <Field label="sounds" width="150px">
              <Select
                value={chosen.sound}
                onChange={(event) => change({ sound: event.target.value as Simulated['sound'] })}
              >
                <option value="Reed">blown</option>
                <option value="Plucked">plucked</option>
                <option value="Struck">struck</option>
              </Select>
            </Field>
            {figures
              .filter(([, , , , ofPitch]) => isPitched || !ofPitch)
              .map(([name, label, min, max]) => (
                <Field key={name} label={label} width="120px">
                  <NumberInput
                    value={chosen[name]}
                    min={min}
                    max={max}
                    onChange={(value) => change({ [name]: Math.min(max, Math.max(min, value)) })}
                  />
                </Field>
              ))}
          </Flex>
          <Tick label="in a noisy room" on={chosen.noisy} set={(noisy) => change({ noisy })} />
        </>
      )}
    </Box>
  )
}
