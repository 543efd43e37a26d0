import { Box, Flex, Text } from '@chakra-ui/react'
import { keepPreviousData } from '@tanstack/react-query'
import { api, type Problem } from '../../api/client'
import { Field, Refusal, Select, TextInput } from '../../ui/fields'

/** What is asked of an instrument that nobody knows by name. */
export interface Unknown {
  family: string
  lowest: string
  highest: string
}

/** The instrument that a name means; undefined while nobody knows yet. */
export function useInstruments(name: string) {
  return api.useQuery(
    'get',
    '/api/instruments',
    { params: { query: { name } } },
    { placeholderData: keepPreviousData },
  ).data
}

/** A name, with the known ones offered while it is typed. */
export function InstrumentName({ name, set }: { name: string; set: (name: string) => void }) {
  const instruments = useInstruments(name)
  return (
    <>
      <TextInput
        aria-label="Instrument"
        list="known-instruments"
        placeholder="its name"
        value={name}
        onChange={(event) => set(event.target.value)}
      />
      <datalist id="known-instruments">
        {(instruments?.names ?? []).map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
    </>
  )
}

/** How a known instrument is written and sounds; of an unknown one its family and its range are asked. */
export function Found({
  name,
  unknown,
  set,
  problem,
}: {
  name: string
  unknown: Unknown
  set: (part: Partial<Unknown>) => void
  problem: Problem | null
}) {
  const instruments = useInstruments(name)
  if (!instruments || !name.trim()) return null
  const { found } = instruments
  if (found)
    return (
      <Text color="faded" fontSize="0.92em" role="status">
        {found.name}: {found.family}
        {found.lowest && `, written ${found.lowest} to ${found.highest}`}, sounds{' '}
        {sounding(found.transposition)}.
      </Text>
    )
  return (
    <Box>
      <Text color="faded" fontSize="0.92em" mb="2" role="status">
        Not known by name. So that sheets and exercises fit it:
      </Text>
      <Flex gap="3" wrap="wrap">
        <Field label="Family" width="140px">
          <Select value={unknown.family} onChange={(event) => set({ family: event.target.value })}>
            {instruments.families.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </Select>
        </Field>
        {unknown.family !== 'percussion' && (
          <>
            <Field label="Lowest written note" width="150px">
              <TextInput
                placeholder="C4"
                value={unknown.lowest}
                onChange={(event) => set({ lowest: event.target.value })}
              />
            </Field>
            <Field label="Highest written note" width="150px">
              <TextInput
                placeholder="C6"
                value={unknown.highest}
                onChange={(event) => set({ highest: event.target.value })}
              />
            </Field>
          </>
        )}
      </Flex>
      <Refusal problem={problem} field={['lowest', 'highest']} />
    </Box>
  )
}

/** A transposition in words. */
export const sounding = (semitones: number) =>
  semitones === 0
    ? 'as written'
    : `${Math.abs(semitones)} ${Math.abs(semitones) === 1 ? 'semitone' : 'semitones'} ${semitones < 0 ? 'below' : 'above'} what is written`
