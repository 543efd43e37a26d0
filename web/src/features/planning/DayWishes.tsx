import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { api, type Schemas } from '../../api/client'
import { Field, NumberInput, Refusal, Select, TextInput } from '../../ui/fields'
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

interface WishesProps extends Props {
  /** Stands right under the minutes. */
  children: React.ReactNode
}

/** How long, until when, what the day asks, what for, in which shape. */
export function DayWishes({ state, today, children }: WishesProps) {
  const routines = api.useQuery('get', '/api/routines')
  const { problem } = state
  return (
    <Box>
      <Minutes state={state} today={today} />
      <Refusal problem={problem} field={['minutes', 'until']} />
      {children}
      <Box mt="3">
        <Field label="What for">
          <Purpose key={today.purpose} state={state} today={today} />
        </Field>
        <Refusal problem={problem} field="purpose" />
      </Box>
      <Flex gap="1.5" wrap="wrap" mt="3" role="group" aria-label="What the day asks">
        {demands.map(([value, name]) => (
          <Demand key={value} state={state} today={today} value={value} name={name} />
        ))}
      </Flex>
      <Box mt="3">
        <Field label="Technique is for" hint={today.focus ? undefined : today.techniqueFor}>
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
        <Field label="Routine">
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
    </Box>
  )
}

function Minutes({ state, today }: Props) {
  const [sliding, setSliding] = useState<number | null>(null)
  const [wished, setWished] = useState('')
  const commit = () => {
    if (sliding !== null && sliding !== today.minutes) void state.wish({ minutes: sliding })
    setSliding(null)
  }
  return (
    <>
      <Text fontSize="0.85em" color="faded" id="minutes-label">
        Minutes today
      </Text>
      <chakra.output fontFamily="heading" fontWeight={700} fontSize="58px" lineHeight={1.05} display="block">
        {sliding ?? today.minutes}
      </chakra.output>
      <chakra.input
        type="range"
        aria-labelledby="minutes-label"
        min={5}
        max={120}
        step={5}
        value={sliding ?? today.minutes}
        onChange={(event) => setSliding(Number(event.target.value))}
        onPointerUp={commit}
        onKeyUp={commit}
        onBlur={commit}
        width="100%"
        accentColor="#1e2230"
      />
      <Flex gap="3" mt="2" align="end">
        <Field label="exactly">
          <NumberInput
            label="Minutes, typed"
            value={today.minutes}
            min={5}
            max={240}
            onChange={(minutes) => void state.wish({ minutes })}
          />
        </Field>
        <Field label="or until">
          <TextInput
            type="time"
            width="120px"
            // Tabbing through changes nothing: only a time that was typed since the last wish counts.
            onBlur={(event) => {
              const until = event.target.value
              if (!until || until === wished) return
              setWished(until)
              void state.wish({ until })
            }}
          />
        </Field>
      </Flex>
    </>
  )
}

function Purpose({ state, today }: Props) {
  const [text, setText] = useState(today.purpose)
  const commit = () => text !== today.purpose && void state.wish({ purpose: text })
  return (
    <TextInput
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
      borderColor={on ? 'ink' : '#8b8371'}
      bg={on ? 'ink' : 'transparent'}
      color={on ? 'paper' : 'ink'}
      cursor="pointer"
    >
      {name}
    </chakra.button>
  )
}
