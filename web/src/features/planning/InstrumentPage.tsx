import { Box, Flex, Grid, Input, Text } from '@chakra-ui/react'
import { Outline } from '../../ui/Outline'
import { useState } from 'react'
import { useChoices } from '../../api/choices'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Field } from '../../ui/Field'
import { NumberInput } from '../../ui/NumberInput'
import { Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Pick } from '../../ui/Pick'
import { InstrumentName, sounding, useInstruments } from './FoundInstrument'

type Profile = Schemas['ProfileView']

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
  const choices = useChoices()
  const { problem, run } = useProblem()
  const saved = useSaved()
  const set = (part: Partial<Profile>) => {
    setKept(false)
    setWish({ ...wish, ...part })
  }
  const save = async () => {
    if (!(await run(() => ask(client.PUT('/api/profile', { body: wish }))))) return
    setKept(true)
    await saved()
  }
  return (
    <Page title="Instrument" problem={problem}>
      <Grid
        templateColumns={{ base: '1fr', md: 'repeat(2, minmax(0, 1fr))' }}
        columnGap="10"
        rowGap="5"
        maxW="900px"
      >
        <Field label="What you play" name="instrument">
          <InstrumentName name={wish.instrument} set={(instrument) => set({ instrument })} />
        </Field>
        <Field label="Family" name="family">
          <Pick value={wish.family} options={choices.families} pick={(family) => set({ family })} />
        </Field>
        <Box>
          <Flex gap="3">
            <Field label="Lowest written note" name="lowest" hint="empty: the usual one">
              <Input
                value={wish.lowest}
                placeholder="E3"
                onChange={(event) => set({ lowest: event.target.value })}
              />
            </Field>
            <Field label="Highest written note" name="highest" hint="the highest you can play">
              <Input
                value={wish.highest}
                placeholder="G6"
                onChange={(event) => set({ highest: event.target.value })}
              />
            </Field>
          </Flex>
        </Box>
        <Box>
          <Flex gap="3">
            <Field label="Sounds, in semitones" name="transposition" hint={sounding(wish.transposition)}>
              <NumberInput
                value={wish.transposition}
                min={-36}
                max={36}
                width="110px"
                onChange={(transposition) => set({ transposition })}
              />
            </Field>
            <Field label="A4 in hertz" name="a4" hint="400 to 480">
              <NumberInput value={wish.a4} min={400} max={480} width="110px" onChange={(a4) => set({ a4 })} />
            </Field>
          </Flex>
        </Box>
        {instruments?.found && wish.instrument !== start.instrument && (
          <Box gridColumn={{ md: '1 / -1' }}>
            <Press onClick={() => set({ ...usual(instruments.found!) })}>
              Take what is usual for {instruments.found.name}
            </Press>
          </Box>
        )}
        <Field label="Notes are called by" hint="shown under the notes of a sheet">
          <Pick value={wish.naming} options={choices.namings} pick={(naming) => set({ naming })} />
        </Field>
      </Grid>
      <Refusal />
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
