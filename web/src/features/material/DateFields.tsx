import { Box, Flex, Input, Text } from '@chakra-ui/react'
import { dayAfter } from '../../ui/words'
import { Field } from '../../ui/Field'
import { Whole } from '../../ui/NumberInput'
import { Tick } from '../../ui/Tick'
import { Press } from '../../ui/Press'
import { RefusalOf } from '../../ui/refusal'
import type { Wish } from './wish'

interface Props {
  wish: Wish
  set: (change: Partial<Wish>) => void
}

/** The performances of a piece: none, one, or several. */
export function Dates({ wish, set }: Props) {
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
            <Input
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
            onClick={() => keep([...dates, dayAfter(dates.at(-1) ?? wish.performance!, 7)])}
          >
            Another date
          </Press>
        )}
      </Flex>
      <RefusalOf field={['performance', 'laterDates']} />
    </Box>
  )
}

/** So many minutes, so often a week: kept before the shares of the week. */
export function ByWeek({ wish, set, week }: Props & { week: number }) {
  const [minutes, times] = [wish.weekMinutes ?? 0, wish.weekTimes ?? 0]
  return (
    <Box>
      <Flex gap="2" align="end" wrap="wrap">
        <Whole
          label="Minutes"
          width="124px"
          placeholder="as planned"
          value={minutes || null}
          set={(weekMinutes) => set({ weekMinutes: weekMinutes ?? 0 })}
        />
        <Whole
          label="times a week"
          value={times || null}
          set={(weekTimes) => set({ weekTimes: weekTimes ?? 0 })}
        />
        {minutes > 0 && times > 0 && (
          <Text minH="42px" display="flex" alignItems="center" fontSize="0.9em" color="faded">
            {minutes * times} of your {week} min a week
          </Text>
        )}
      </Flex>
      <Tick
        label="in a second sitting of the day too"
        on={wish.twiceADay ?? false}
        set={(twiceADay) => set({ twiceADay })}
      />
      <RefusalOf field={['weekMinutes', 'weekTimes']} />
    </Box>
  )
}
