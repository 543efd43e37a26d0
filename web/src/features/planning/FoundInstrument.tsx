import { Box, Flex, Input, Text } from '@chakra-ui/react'
import { keepPreviousData } from '@tanstack/react-query'
import { useChoices } from '../../api/choices'
import { api, type Schemas } from '../../api/client'
import { Field } from '../../ui/Field'
import { Pick } from '../../ui/Pick'

/** What is asked of an instrument that nobody knows by name. */
export interface Unknown {
  family: Schemas['Family']
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
      <Input
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
}: {
  name: string
  unknown: Unknown
  set: (part: Partial<Unknown>) => void
}) {
  const instruments = useInstruments(name)
  const { families } = useChoices()
  if (!instruments || !name.trim()) return null
  const { found } = instruments
  if (found)
    return (
      <Text color="faded" fontSize="0.92em" role="status">
        {found.name}: {found.family.toLowerCase()}
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
        <Field label="Family" width="140px" name="family">
          <Pick value={unknown.family} options={families} pick={(family) => set({ family })} />
        </Field>
        {unknown.family !== 'Percussion' && (
          <>
            <Field label="Lowest written note" width="150px" name="lowest">
              <Input
                placeholder="C4"
                value={unknown.lowest}
                onChange={(event) => set({ lowest: event.target.value })}
              />
            </Field>
            <Field label="Highest written note" width="150px" name="highest">
              <Input
                placeholder="C6"
                value={unknown.highest}
                onChange={(event) => set({ highest: event.target.value })}
              />
            </Field>
          </>
        )}
      </Flex>
    </Box>
  )
}

/** A transposition in words. */
export const sounding = (semitones: number) =>
  semitones === 0
    ? 'as written'
    : `${Math.abs(semitones)} ${Math.abs(semitones) === 1 ? 'semitone' : 'semitones'} ${semitones < 0 ? 'below' : 'above'} what is written`
