import { Box, Flex, Grid, Input, Textarea } from '@chakra-ui/react'
import { useState } from 'react'
import { useChoices } from '../../api/choices'
import { ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Form } from '../../ui/Form'
import { Field } from '../../ui/Field'
import { NumberInput } from '../../ui/NumberInput'
import { Ticks } from '../../ui/Tick'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Pick } from '../../ui/Pick'
import { useRemoval } from '../../ui/removal'

type Wish = Schemas['MethodWish']
type Fit = Schemas['Fit']

/** What a method is counted in, where it is counted. */
const units: Partial<Record<Schemas['Course'], string>> = {
  FixedCount: 'takes',
  CleanInRow: 'clean in a row',
  CleanMinutes: 'minutes',
}

const fresh: Wish = {
  name: '',
  how: '',
  records: '',
  leave: '',
  least: 2,
  most: 5,
  course: 'FixedCount',
  count: 3,
  fit: ['Raw', 'Shaping'],
  resting: false,
  version: 0,
}

/** A method of one's own: what to do, how it ends, and what the planner may take it for. */
export function MethodForm({ method, close }: { method: Schemas['MethodView'] | null; close: () => void }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const removal = useRemoval()
  const [wish, setWish] = useState<Wish>(
    method ? { ...method, leave: method.fits, count: method.count || 3 } : fresh,
  )
  const set = (part: Partial<Wish>) => setWish({ ...wish, ...part })
  const fit = wish.fit ?? []
  const counted = units[wish.course ?? 'FixedCount']
  const choices = useChoices()
  const done = async (kept: unknown) => {
    if (!kept) return
    await saved()
    close()
  }
  const path = { id: method?.ownId ?? 0 }
  const keep = async () =>
    done(
      await run(() =>
        method
          ? ask(client.PUT('/api/methods/{id}', { params: { path }, body: wish }))
          : ask(client.POST('/api/methods', { body: wish })),
      ),
    )
  const remove = async () =>
    done(
      await run(() =>
        removal(
          method?.name ?? 'a method',
          () => ask(client.DELETE('/api/methods/{id}', { params: { path } })),
          () => ask(client.POST('/api/methods/{id}/back', { params: { path } })),
        ),
      ),
    )
  return (
    <Form
      submit={keep}
      problem={problem}
      bg="sheet"
      border="1px solid"
      borderColor="line"
      borderRadius="8px"
      p="5"
      mb="6"
    >
      <Grid templateColumns={{ base: '1fr', md: '260px minmax(0, 1fr)' }} columnGap="6" rowGap="4">
        <Field label="name" name="name">
          <Input value={wish.name} onChange={(event) => set({ name: event.target.value })} />
        </Field>
        <Field
          label="how it is done, in two or three sentences; the first one stands on the stage"
          name="how"
        >
          <Textarea rows={2} value={wish.how} onChange={(event) => set({ how: event.target.value })} />
        </Field>
        <Flex gap="3" align="end">
          <Field label="usual minutes, from">
            <NumberInput
              label="usual minutes, from"
              value={wish.least!}
              min={1}
              max={30}
              onChange={(least) => set({ least })}
            />
          </Field>
          <Field label="to">
            <NumberInput
              label="to, minutes"
              value={wish.most!}
              min={1}
              max={30}
              onChange={(most) => set({ most })}
            />
          </Field>
        </Flex>
        <Flex gap="3" align="end" wrap="wrap">
          <Field label="it is done after" width="280px">
            <Pick
              value={wish.course ?? 'FixedCount'}
              options={choices.courses}
              pick={(course) => set({ course })}
            />
          </Field>
          {counted && (
            <Field label={counted}>
              <NumberInput
                label={`${counted}, how many`}
                value={wish.count!}
                min={1}
                max={30}
                onChange={(count) => set({ count })}
              />
            </Field>
          )}
        </Flex>
        <Box gridColumn={{ md: '1 / -1' }}>
          <Ticks
            legend="the planner may take it for what is"
            options={choices.fits.map((one) => [one.id as Fit, one.name] as const)}
            chosen={fit}
            set={(fit) => set({ fit })}
          />
        </Box>
        <Field label="what is recorded">
          <Input
            value={wish.records}
            placeholder="clean or missed"
            onChange={(event) => set({ records: event.target.value })}
          />
        </Field>
        <Field label="when it fits and when to leave it">
          <Input
            value={wish.leave}
            placeholder="left empty, the choice above says it"
            onChange={(event) => set({ leave: event.target.value })}
          />
        </Field>
      </Grid>
      <Refusal />
      <Flex gap="3" mt="4" wrap="wrap">
        <Press look="strong" type="submit">
          Keep
        </Press>
        <Press look="quiet" type="button" onClick={close}>
          Leave
        </Press>
        {method && (
          <>
            <Press look="quiet" type="button" onClick={() => set({ resting: !wish.resting })}>
              {wish.resting ? 'Take it up again' : 'Let it rest'}
            </Press>
            <Press look="quiet" type="button" color="wrong" onClick={() => remove()}>
              Remove
            </Press>
          </>
        )}
      </Flex>
    </Form>
  )
}
