import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import type { Problem } from '../../api/client'
import { Field, Press, Refusal, TextInput } from '../../ui/fields'
import type { Wish } from './wish'

interface Props {
  wish: Wish
  set: (change: Partial<Wish>) => void
  problem: Problem | null
}

/** The performances of a piece: none, one, or several. */
export function Dates({ wish, set, problem }: Props) {
  const dates = [wish.performance ?? '', ...(wish.laterDates ?? [])]
  const keep = (next: string[]) =>
    set({ performance: next[0] || null, laterDates: next.slice(1).filter((date) => date !== '') })
  return (
    <Box>
      <Flex gap="2" wrap="wrap" align="end">
        {dates.map((date, place) => (
          <Field
            key={place}
            label={place === 0 ? 'Performance, if any' : `Performance ${place + 1}`}
            width="170px"
          >
            <TextInput
              type="date"
              value={date}
              onChange={(event) => keep(dates.map((one, at) => (at === place ? event.target.value : one)))}
            />
          </Field>
        ))}
        {wish.performance && (
          <Press
            type="button"
            look="quiet"
            onClick={() => keep([...dates, dayAfter(dates.at(-1) ?? wish.performance!)])}
          >
            Another date
          </Press>
        )}
      </Flex>
      <Refusal problem={problem} field={['performance', 'laterDates']} />
    </Box>
  )
}

function dayAfter(date: string) {
  const next = new Date(`${date}T12:00:00Z`)
  next.setUTCDate(next.getUTCDate() + 7)
  return next.toISOString().slice(0, 10)
}

/** So many minutes, so often a week: kept before the shares of the week. */
export function ByWeek({ wish, set, problem, week }: Props & { week: number }) {
  const [minutes, times] = [wish.weekMinutes ?? 0, wish.weekTimes ?? 0]
  const whole = (value: string) => (value === '' ? 0 : Number.parseInt(value, 10))
  return (
    <Box>
      <Flex gap="2" align="end">
        <Field label="Minutes" width="124px">
          <TextInput
            type="number"
            inputMode="numeric"
            placeholder="as planned"
            value={minutes || ''}
            onChange={(event) => set({ weekMinutes: whole(event.target.value) })}
          />
        </Field>
        <Field label="times a week" width="96px">
          <TextInput
            type="number"
            inputMode="numeric"
            value={times || ''}
            onChange={(event) => set({ weekTimes: whole(event.target.value) })}
          />
        </Field>
        {minutes > 0 && times > 0 && (
          <Text minH="42px" display="flex" alignItems="center" fontSize="0.9em" color="faded">
            {minutes * times} of your {week} min a week
          </Text>
        )}
      </Flex>
      <chakra.label display="flex" gap="2" minH="42px" alignItems="center">
        <input
          type="checkbox"
          checked={wish.twiceADay ?? false}
          onChange={(event) => set({ twiceADay: event.target.checked })}
        />
        in a second sitting of the day too
      </chakra.label>
      <Refusal problem={problem} field="weekMinutes" />
    </Box>
  )
}
