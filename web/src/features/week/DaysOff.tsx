import { Flex, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useChoices } from '../../api/choices'
import { ask, client, type Schemas } from '../../api/client'
import { Field } from '../../ui/Field'
import { NumberInput } from '../../ui/NumberInput'
import { Press } from '../../ui/Press'
import { Refused, Refusal } from '../../ui/refusal'
import { useRemoval } from '../../ui/removal'
import { Select } from '../../ui/Select'
import { sayDate, sayDay } from '../../ui/words'
import type { Ahead } from './useAhead'

const kinds: Record<Schemas['DayOffKind'], string> = {
  Holiday: 'holiday',
  LateShift: 'late shift',
  Rehearsal: 'rehearsal',
  Visit: 'visit',
  Other: 'something else',
}

interface Props {
  ahead: Ahead
  daysOff: Schemas['DayOffView'][]
  today: string
}

/** Days that are not as their weekdays are. */
export function DaysOff({ ahead, daysOff, today }: Props) {
  const choices = useChoices()
  const removal = useRemoval()
  const [wish, setWish] = useState({
    from: today,
    until: today,
    kind: 'Holiday' as Schemas['DayOffKind'],
    minutes: 0,
    text: '',
  })
  const add = () => ahead.change(() => ask(client.POST('/api/week/days-off', { body: wish })))
  return (
    <Refused problem={ahead.problem}>
      {daysOff.map((off) => (
        <Flex key={off.id} gap="3" align="baseline" wrap="wrap">
          <Text>
            <strong>{off.name}</strong>, {sayDay(off.from, today)}
            {off.until !== off.from && ` to ${sayDate(off.until)}`}:{' '}
            {off.minutes === 0 ? 'no practice' : `${off.minutes} minutes`}
          </Text>
          <Press
            look="quiet"
            minH="34px"
            aria-label={`Remove ${off.name}, ${sayDate(off.from)}`}
            onClick={() => {
              const params = { path: { id: off.id } }
              return removal(
                off.name,
                () => ask(client.DELETE('/api/week/days-off/{id}', { params })),
                () => ask(client.POST('/api/week/days-off/{id}/back', { params })),
              )
            }}
          >
            remove
          </Press>
        </Flex>
      ))}
      <Flex gap="3" align="end" wrap="wrap" mt="2">
        <Field label="from" width="160px" name="from">
          <Input
            type="date"
            min={today}
            value={wish.from}
            onChange={({ target: { value } }) =>
              setWish({ ...wish, from: value, until: wish.until < value ? value : wish.until })
            }
          />
        </Field>
        <Field label="to" width="160px" name="until">
          <Input
            type="date"
            min={wish.from}
            value={wish.until}
            onChange={({ target }) => setWish({ ...wish, until: target.value })}
          />
        </Field>
        <Field label="why" width="160px" name="kind">
          <Select
            value={wish.kind}
            onChange={({ target }) => setWish({ ...wish, kind: target.value as Schemas['DayOffKind'] })}
          >
            {Object.entries(kinds).map(([id, name]) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        </Field>
        <Field label="in your words" width="180px" name="text">
          <Input value={wish.text} onChange={({ target }) => setWish({ ...wish, text: target.value })} />
        </Field>
        <Field label="minutes" width="90px" name="minutes">
          <NumberInput
            label="Minutes on these days"
            value={wish.minutes}
            min={0}
            max={choices.mostMinutes}
            onChange={(minutes) => setWish({ ...wish, minutes })}
          />
        </Field>
        <Press onClick={add} disabled={!wish.from || !wish.until}>
          Add it
        </Press>
      </Flex>
      <Refusal />
    </Refused>
  )
}
