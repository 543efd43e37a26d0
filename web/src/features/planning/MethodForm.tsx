import { Flex, Grid, chakra } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ask, client, type Schemas } from '../../api/client'
import { Form } from '../../ui/Form'
import { Field, NumberInput, Press, Refusal, Select, TextArea, TextInput, useProblem } from '../../ui/fields'
import { useRemoval } from '../../ui/removal'

type Wish = Schemas['MethodWish']
type Fit = Schemas['Fit']

const courses: [Schemas['Course'], string, string][] = [
  ['FixedCount', 'so many takes', 'takes'],
  ['CleanInRow', 'so many clean in a row', 'clean in a row'],
  ['CleanMinutes', 'so many minutes without a miss', 'minutes'],
  ['Ladder', 'the tempo follows the takes', ''],
  ['Once', 'one take, no stopping', ''],
  ['Timed', 'its minutes; nothing is counted', ''],
]

const fits: [Fit, string][] = [
  ['Raw', 'raw'],
  ['Shaping', 'taking shape'],
  ['Ready', 'ready'],
  ['Stuck', 'stuck'],
  ['BeforeDate', 'before a performance'],
]

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
  const queries = useQueryClient()
  const { problem, run } = useProblem()
  const removal = useRemoval()
  const [wish, setWish] = useState<Wish>(
    method ? { ...method, leave: method.fits, count: method.count || 3 } : fresh,
  )
  const set = (part: Partial<Wish>) => setWish({ ...wish, ...part })
  const fit = wish.fit ?? []
  const counted = courses.find(([one]) => one === wish.course)![2]
  const done = async (kept: unknown) => {
    if (!kept) return
    await queries.invalidateQueries()
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
    <Form submit={keep} bg="sheet" border="1px solid" borderColor="line" borderRadius="8px" p="5" mb="6">
      <Grid templateColumns={{ base: '1fr', md: '260px minmax(0, 1fr)' }} columnGap="6" rowGap="4">
        <Field label="name">
          <TextInput value={wish.name} onChange={(event) => set({ name: event.target.value })} />
          <Refusal problem={problem} field="name" />
        </Field>
        <Field label="how it is done, in two or three sentences; the first one stands on the stage">
          <TextArea rows={2} value={wish.how} onChange={(event) => set({ how: event.target.value })} />
          <Refusal problem={problem} field="how" />
        </Field>
        <Flex gap="3" align="end">
          <Field label="usual minutes, from">
            <NumberInput
              label="Least minutes"
              value={wish.least!}
              min={1}
              max={30}
              onChange={(least) => set({ least })}
            />
          </Field>
          <Field label="to">
            <NumberInput
              label="Most minutes"
              value={wish.most!}
              min={1}
              max={30}
              onChange={(most) => set({ most })}
            />
          </Field>
        </Flex>
        <Flex gap="3" align="end" wrap="wrap">
          <Field label="it is done after" width="280px">
            <Select
              value={wish.course}
              onChange={(event) => set({ course: event.target.value as Schemas['Course'] })}
            >
              {courses.map(([one, name]) => (
                <option key={one} value={one}>
                  {name}
                </option>
              ))}
            </Select>
          </Field>
          {counted && (
            <Field label={counted}>
              <NumberInput
                label={`How many ${counted}`}
                value={wish.count!}
                min={1}
                max={30}
                onChange={(count) => set({ count })}
              />
            </Field>
          )}
        </Flex>
        <chakra.fieldset gridColumn={{ md: '1 / -1' }}>
          <chakra.legend fontSize="0.85em" color="faded">
            the planner may take it for what is
          </chakra.legend>
          <Flex gap="5" wrap="wrap">
            {fits.map(([one, name]) => (
              <chakra.label key={one} display="flex" gap="2" alignItems="center" minH="42px" cursor="pointer">
                <input
                  type="checkbox"
                  checked={fit.includes(one)}
                  onChange={(event) =>
                    set({ fit: event.target.checked ? [...fit, one] : fit.filter((other) => other !== one) })
                  }
                />
                {name}
              </chakra.label>
            ))}
          </Flex>
        </chakra.fieldset>
        <Field label="what is recorded">
          <TextInput
            value={wish.records}
            placeholder="clean or missed"
            onChange={(event) => set({ records: event.target.value })}
          />
        </Field>
        <Field label="when it fits and when to leave it">
          <TextInput
            value={wish.leave}
            placeholder="left empty, the choice above says it"
            onChange={(event) => set({ leave: event.target.value })}
          />
        </Field>
      </Grid>
      <Refusal
        problem={problem}
        field={['least', 'most', 'course', 'count', 'records', 'leave', 'version', 'id', 'server', 'request']}
      />
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
