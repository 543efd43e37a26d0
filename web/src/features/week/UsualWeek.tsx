import { Flex, Grid, Input, Text } from '@chakra-ui/react'
import { Fragment, useState } from 'react'
import { useChoices } from '../../api/choices'
import { ask, client, type Schemas } from '../../api/client'
import { Field } from '../../ui/Field'
import { NumberInput } from '../../ui/NumberInput'
import { Press } from '../../ui/Press'
import { Refused, Refusal, RefusalOf } from '../../ui/refusal'
import { Select } from '../../ui/Select'
import { Tick } from '../../ui/Tick'
import { weekdays } from '../../ui/words'
import type { Ahead } from './useAhead'

/** What a week usually is: minutes, hour and sittings of each weekday, the lesson, and whether the browser says when it is time. */
export function UsualWeekForm({ ahead, usual }: { ahead: Ahead; usual: Schemas['UsualWeek'] }) {
  const [wish, setWish] = useState(usual)
  const choices = useChoices()
  const [word, setWord] = useState('')
  const set = <K extends 'minutes' | 'hours' | 'sittings'>(
    name: K,
    day: number,
    value: (typeof wish)[K][number],
  ) => setWish({ ...wish, [name]: wish[name].map((old, at) => (at === day ? value : old)) })
  const remind = async (on: boolean) => {
    setWish({ ...wish, reminds: on })
    if (!on) return setWord('')
    if (!('Notification' in window)) return setWord('This browser cannot say it: it knows no notifications.')
    const allowed = await Notification.requestPermission()
    setWord(
      allowed === 'granted'
        ? ''
        : 'This browser does not allow it. Allow notifications for this page in its settings, and press again.',
    )
  }
  return (
    <Refused problem={ahead.problem}>
      <Grid
        templateColumns="40px 76px minmax(96px, 146px) 76px"
        gap="2"
        alignItems="center"
        maxW="420px"
        role="group"
        aria-label="Usual week"
      >
        <span />
        <Text fontSize="0.85em" color="faded">
          minutes
        </Text>
        <Text fontSize="0.85em" color="faded">
          hour
        </Text>
        <Text fontSize="0.85em" color="faded">
          sittings
        </Text>
        {weekdays.map((name, day) => (
          <Fragment key={name}>
            <Text>{name}</Text>
            <NumberInput
              label={`Minutes on ${name}`}
              value={wish.minutes[day] ?? 0}
              min={0}
              max={choices.mostMinutes}
              onChange={(value) => set('minutes', day, value)}
            />
            <Input
              type="time"
              aria-label={`Hour on ${name}`}
              value={wish.hours[day] ?? ''}
              onChange={(event) => set('hours', day, event.target.value)}
            />
            <NumberInput
              label={`Sittings on ${name}`}
              value={wish.sittings[day] ?? 1}
              min={1}
              max={6}
              onChange={(value) => set('sittings', day, value)}
            />
          </Fragment>
        ))}
      </Grid>
      <RefusalOf field={['minutes', 'hours', 'sittings']} />
      <Text mt="2" maxW="62ch" color="faded" fontSize="0.92em">
        Several sittings share the day’s minutes: three of ten, two of fifteen. Two hours lie between them, so
        that the same things may come again.
      </Text>
      <Flex gap="4" mt="3" align="end" wrap="wrap">
        <Field label="Lesson or rehearsal" width="170px" name="lessonWeekday">
          <Select
            value={wish.lessonWeekday ?? ''}
            onChange={({ target }) =>
              setWish({ ...wish, lessonWeekday: target.value === '' ? null : Number(target.value) })
            }
          >
            <option value="">none</option>
            {weekdays.map((name, day) => (
              <option key={name} value={day}>
                {name}
              </option>
            ))}
          </Select>
        </Field>
        <Tick
          label="Say when it is time, while this page is open in a tab"
          on={wish.reminds}
          set={(on) => void remind(on)}
          minH="42px"
        />
      </Flex>
      {word && <Text role="status">{word}</Text>}
      <Refusal />
      <Press
        look="strong"
        mt="3"
        onClick={() => ahead.change(() => ask(client.PUT('/api/week/usual', { body: wish })))}
      >
        Keep the week
      </Press>
    </Refused>
  )
}
