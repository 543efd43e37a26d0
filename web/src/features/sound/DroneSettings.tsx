import { chakra, Flex, Grid, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Field } from '../../ui/Field'
import { Select } from '../../ui/Select'
import { Tick } from '../../ui/Tick'
import type { Settings } from './SoundPage'

interface Props {
  settings: Settings
  change: (part: Partial<Settings>) => Promise<void>
  sounds: string
}

/** The drone: its written note, what sounds with it, pure or equal. */
export function DroneSettings({ settings, change, sounds }: Props) {
  return (
    <chakra.fieldset mt="8">
      <chakra.legend fontFamily="heading" fontSize="heading" fontWeight={600} mb="3">
        The drone
      </chakra.legend>
      <Grid templateColumns="repeat(auto-fill, minmax(150px, 1fr))" gap="4" alignItems="end">
        <Field label="written note" name="drone">
          <Note key={settings.drone} note={settings.drone ?? ''} change={change} />
        </Field>
        <Field label="with">
          <Select
            value={settings.droneWith}
            onChange={(event) => void change({ droneWith: event.target.value as Settings['droneWith'] })}
          >
            <option value="Alone">nothing else</option>
            <option value="Fifth">its fifth</option>
            <option value="MajorThird">its major third</option>
            <option value="MinorThird">its minor third</option>
          </Select>
        </Field>
        <Field label="tuned">
          <Select
            value={settings.just ? 'just' : 'equal'}
            onChange={(event) => void change({ just: event.target.value === 'just' })}
          >
            <option value="just">pure</option>
            <option value="equal">equal</option>
          </Select>
        </Field>
      </Grid>
      {sounds && (
        <Text color="faded" mt="2">
          {sounds}
        </Text>
      )}
      <Flex mt="2" direction="column" gap="1">
        <Tick
          label="begin the first warm-up with the tuning note, or the open strings"
          on={settings.tuneFirst ?? true}
          set={(tuneFirst) => void change({ tuneFirst })}
        />
        <Tick
          label="start it with every warm-up"
          on={settings.droneWithDrill ?? false}
          set={(droneWithDrill) => void change({ droneWithDrill })}
        />
      </Flex>
    </chakra.fieldset>
  )
}

function Note({ note, change }: { note: string; change: Props['change'] }) {
  const [typed, setTyped] = useState(note)
  const commit = () => typed !== note && void change({ drone: typed })
  return (
    <Input
      value={typed}
      placeholder="D4"
      onChange={(event) => setTyped(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
    />
  )
}
