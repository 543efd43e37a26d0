import { Box, Flex, Grid, Text } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { Outline } from '../../ui/Outline'
import { useState } from 'react'
import { api, ask, client, type Schemas } from '../../api/client'
import { Field, NumberInput, Page, Press, Refusal, Select, TextInput, useProblem } from '../../ui/fields'
import { InstrumentName, sounding, useInstruments } from './FoundInstrument'

type Profile = Schemas['ProfileView']

const namings: [Schemas['Naming'], string][] = [
  ['Letters', 'letters: C D E'],
  ['FixedDo', 'fixed do: do is always C'],
  ['MovableDo', 'movable do: do is the first note of the key'],
  ['Degrees', 'degrees: 1 is the first note of the key'],
  ['Sargam', 'sargam: S is the first note of the key'],
]

/** What is played, how far it reaches, how it sounds and how its notes are called. */
export function InstrumentPage() {
  const profile = api.useQuery('get', '/api/profile')
  const [kept, setKept] = useState(false)
  return profile.data ? (
    <Form key={profile.data.version} start={profile.data} kept={kept} setKept={setKept} />
  ) : (
    <Outline />
  )
}

/** What is usual for an instrument that is known by name. */
const usual = (found: Schemas['InstrumentView']) => ({
  family: found.family,
  transposition: found.transposition,
  earCentre: found.earCentre,
  lowest: '',
  highest: '',
})

interface FormProps {
  start: Profile
  kept: boolean
  setKept: (kept: boolean) => void
}

function Form({ start, kept, setKept }: FormProps) {
  const [wish, setWish] = useState(start)
  const instruments = useInstruments(wish.instrument)
  const { problem, run } = useProblem()
  const queries = useQueryClient()
  const set = (part: Partial<Profile>) => {
    setKept(false)
    setWish({ ...wish, ...part })
  }
  const save = async () => {
    if (!(await run(() => ask(client.PUT('/api/profile', { body: wish }))))) return
    setKept(true)
    await queries.invalidateQueries()
  }
  return (
    <Page title="Instrument">
      <Grid
        templateColumns={{ base: '1fr', md: 'repeat(2, minmax(0, 1fr))' }}
        columnGap="10"
        rowGap="5"
        maxW="900px"
      >
        <Field label="What you play">
          <InstrumentName name={wish.instrument} set={(instrument) => set({ instrument })} />
        </Field>
        <Field label="Family">
          <Select value={wish.family} onChange={(event) => set({ family: event.target.value })}>
            {(instruments?.families ?? [wish.family]).map((one) => (
              <option key={one}>{one}</option>
            ))}
          </Select>
        </Field>
        <Box>
          <Flex gap="3">
            <Field label="Lowest written note" hint="empty: the usual one">
              <TextInput
                value={wish.lowest}
                placeholder="E3"
                onChange={(event) => set({ lowest: event.target.value })}
              />
            </Field>
            <Field label="Highest written note" hint="the highest you can play">
              <TextInput
                value={wish.highest}
                placeholder="G6"
                onChange={(event) => set({ highest: event.target.value })}
              />
            </Field>
          </Flex>
          <Refusal problem={problem} field={['lowest', 'highest']} />
        </Box>
        <Box>
          <Flex gap="3">
            <Field label="Sounds, in semitones" hint={sounding(wish.transposition)}>
              <NumberInput
                label="Semitones from written to sounding"
                value={wish.transposition}
                min={-36}
                max={36}
                width="110px"
                onChange={(transposition) => set({ transposition })}
              />
            </Field>
            <Field label="A4 in hertz" hint="400 to 480">
              <NumberInput
                label="A4 in hertz"
                value={wish.a4}
                min={400}
                max={480}
                width="110px"
                onChange={(a4) => set({ a4 })}
              />
            </Field>
          </Flex>
          <Refusal problem={problem} field={['transposition', 'a4']} />
        </Box>
        {instruments?.found && wish.instrument !== start.instrument && (
          <Box gridColumn={{ md: '1 / -1' }}>
            <Press onClick={() => set({ ...usual(instruments.found!) })}>
              Take what is usual for {instruments.found.name}
            </Press>
          </Box>
        )}
        <Field label="Notes are called by" hint="shown under the notes of a sheet">
          <Select
            value={wish.naming}
            onChange={(event) => set({ naming: event.target.value as Schemas['Naming'] })}
          >
            {namings.map(([id, name]) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        </Field>
      </Grid>
      <Refusal problem={problem} field={['instrument', 'family', 'version', 'server']} />
      <Flex gap="4" mt="6" align="center">
        <Press look="strong" onClick={() => save()}>
          Keep
        </Press>
        <Text color="faded" aria-live="polite">
          {kept ? 'Kept.' : ''}
        </Text>
      </Flex>
    </Page>
  )
}
