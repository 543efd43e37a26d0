import { Box, chakra, Flex, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { api, type Schemas } from '../../api/client'
import { Slide } from '../../ui/Slide'
import { Field } from '../../ui/Field'
import { Fold } from '../../ui/Fold'
import { NumberInput } from '../../ui/NumberInput'
import { RefusalOf } from '../../ui/refusal'
import { Select } from '../../ui/Select'
import type { Today } from './useToday'

const demands = [
  ['Rehearsal', 'rehearsal later'],
  ['Tired', 'tired'],
  ['Concert', 'concert'],
] as const

interface Props {
  state: Today
  today: Schemas['TodayView']
}

/** The one figure of the day: how many minutes. */
export function Minutes({ state, today }: Props) {
  const { leastMinutes, mostMinutes } = today
  const [sliding, setSliding] = useState<number | null>(null)
  const commit = (minutes: number) => {
    if (minutes !== today.minutes) void state.wish({ minutes })
    setSliding(null)
  }
  return (
    <>
      <Text fontSize="0.85em" color="faded">
        Minutes today
      </Text>
      <NumberInput
        label="Minutes today"
        look="figure"
        width="150px"
        value={sliding ?? today.minutes}
        min={leastMinutes}
        max={mostMinutes}
        onChange={(minutes) => void state.wish({ minutes })}
      />
      <Slide
        label="Minutes today, in fives"
        min={leastMinutes}
        max={120}
        step={5}
        value={sliding ?? today.minutes}
        slide={setSliding}
        done={commit}
      />
      <RefusalOf field="minutes" />
    </>
  )
}

/** What the day asks beside its minutes, folded into a sentence that opens. */
export function DayWishes({ state, today }: Props) {
  const [open, setOpen] = useState(false)
  return (
    <Box mt="3">
      <Fold open={open} toggle={() => setOpen(!open)}>
        <span data-testid="wishes">{sayWishes(today)}</span>
      </Fold>
      {open && <Wishes state={state} today={today} />}
    </Box>
  )
}

/** "Everyday weave, nothing special today". */
function sayWishes(today: Schemas['TodayView']) {
  const asked = demands.filter(([value]) => today.demands.includes(value)).map(([, name]) => name)
  const focus =
    today.focus && `technique for ${today.focus === 'none' ? 'nothing in particular' : today.focus}`
  const all = [...asked, today.purpose && `for: ${today.purpose}`, focus].filter(Boolean)
  return `${today.routineName}, ${all.length > 0 ? all.join(', ') : 'nothing special today'}`
}

function Wishes({ state, today }: Props) {
  const routines = api.useQuery('get', '/api/routines')
  return (
    <>
      <Until state={state} />
      <Box mt="3">
        <Field label="What for" name="purpose">
          <Purpose key={today.purpose} state={state} today={today} />
        </Field>
      </Box>
      <Flex gap="1.5" wrap="wrap" mt="3" role="group" aria-label="What the day asks">
        {demands.map(([value, name]) => (
          <Demand key={value} state={state} today={today} value={value} name={name} />
        ))}
      </Flex>
      <Box mt="3">
        <Field label="Technique is for" name="focus" hint={today.focus ? undefined : today.techniqueFor}>
          <Select value={today.focus} onChange={(event) => void state.wish({ focus: event.target.value })}>
            <option value="">what my passages need</option>
            {today.focuses.map((one) => (
              <option key={one}>{one}</option>
            ))}
            <option value="none">nothing in particular</option>
          </Select>
        </Field>
      </Box>
      <Box mt="3">
        <Field label="Routine" name="routineId">
          <Select
            value={today.routineId}
            onChange={(event) => void state.wish({ routineId: Number(event.target.value) })}
          >
            {routines.data?.map((routine) => (
              <option key={routine.id} value={routine.id}>
                {routine.name}
              </option>
            ))}
          </Select>
        </Field>
      </Box>
    </>
  )
}

/** Until when there is time, instead of how long. */
function Until({ state }: { state: Today }) {
  const [wished, setWished] = useState('')
  return (
    <Field label="or until" width="130px" name="until">
      <Input
        type="time"
        // Tabbing through changes nothing: only a time that was typed since the last wish counts.
        onBlur={(event) => {
          const until = event.target.value
          if (!until || until === wished) return
          setWished(until)
          void state.wish({ until })
        }}
      />
    </Field>
  )
}

function Purpose({ state, today }: Props) {
  const [text, setText] = useState(today.purpose)
  const commit = () => text !== today.purpose && void state.wish({ purpose: text })
  return (
    <Input
      value={text}
      maxLength={200}
      placeholder="the trouble it is to cure"
      onChange={(event) => setText(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
    />
  )
}

interface DemandProps extends Props {
  value: Schemas['Demands']
  name: string
}

function Demand({ state, today, value, name }: DemandProps) {
  const on = today.demands.includes(value)
  const next = on ? today.demands.filter((one) => one !== value) : [...today.demands, value]
  return (
    <chakra.button
      aria-pressed={on}
      onClick={() => void state.wish({ demands: next })}
      minH="36px"
      px="2.5"
      fontSize="0.93em"
      borderRadius="19px"
      border="1.5px solid"
      borderColor={on ? 'ink' : 'edge'}
      bg={on ? 'ink' : 'transparent'}
      color={on ? 'paper' : 'ink'}
      cursor="pointer"
    >
      {name}
    </chakra.button>
  )
}
