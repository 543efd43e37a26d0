import { Box, Flex, Table, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { useChoices } from '../../api/choices'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Outline } from '../../ui/Outline'
import { AreaGlyph, areaLooks } from '../../ui/areas'
import { Field } from '../../ui/Field'
import { NumberInput } from '../../ui/NumberInput'
import { Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Pick } from '../../ui/Pick'
import { Select } from '../../ui/Select'
import { weekdays } from '../../ui/words'

/** How the week is shared out, and the schools one follows. */
export function SharesPage() {
  const profile = api.useQuery('get', '/api/profile')
  return profile.data ? <Form key={profile.data.version} start={profile.data} /> : <Outline />
}

function Form({ start }: { start: Schemas['ProfileView'] }) {
  const [wish, setWish] = useState(start)
  const { problem, run } = useProblem()
  const saved = useSaved()
  const choices = useChoices()
  const set = (part: Partial<Schemas['ProfileView']>) => setWish({ ...wish, ...part })
  const share = (area: Schemas['Area'], part: Partial<Schemas['AreaShare']>) =>
    set({ shares: wish.shares.map((one) => (one.area === area ? { ...one, ...part } : one)) })
  const sum = wish.shares.reduce((all, one) => all + one.percent, 0)
  const save = async () => {
    if (await run(() => ask(client.PUT('/api/profile', { body: wish })))) await saved()
  }
  return (
    <Page title="Shares" problem={problem}>
      <Text color="faded" maxW="64ch" mb="3">
        The warm-up goes by the length of a sitting. The other five share the week: what one gets too little
        of today, the plan gives back on the days after.
      </Text>
      <Box overflowX="auto" position="relative">
        <Table.Root>
          <Table.Header>
            <Table.Row>
              <Table.ColumnHeader>area</Table.ColumnHeader>
              <Table.ColumnHeader>share of the week, %</Table.ColumnHeader>
              <Table.ColumnHeader>least a day, min</Table.ColumnHeader>
              <Table.ColumnHeader>most a day, min</Table.ColumnHeader>
            </Table.Row>
          </Table.Header>
          <Table.Body>
            {wish.shares.map((one) => (
              <Table.Row key={one.area}>
                <Table.Cell>
                  <Flex gap="2" align="center">
                    <AreaGlyph area={one.area} /> {areaLooks[one.area].name}
                  </Flex>
                </Table.Cell>
                <Table.Cell>
                  <NumberInput
                    look="row"
                    label={`${areaLooks[one.area].name}, share`}
                    value={one.percent}
                    min={0}
                    max={100}
                    onChange={(percent) => share(one.area, { percent })}
                  />
                </Table.Cell>
                <Table.Cell>
                  <NumberInput
                    look="row"
                    label={`${areaLooks[one.area].name}, least`}
                    value={one.least}
                    min={0}
                    max={choices.mostMinutes}
                    onChange={(least) => share(one.area, { least })}
                  />
                </Table.Cell>
                <Table.Cell>
                  <NumberInput
                    look="row"
                    label={`${areaLooks[one.area].name}, most`}
                    value={one.most}
                    min={0}
                    max={choices.mostMinutes}
                    onChange={(most) => share(one.area, { most })}
                  />
                </Table.Cell>
              </Table.Row>
            ))}
            <Table.Row>
              <Table.Cell>together</Table.Cell>
              <Table.Cell fontWeight={700} color={sum === 100 ? undefined : 'wrong'} aria-live="polite">
                {sum} %{sum !== 100 && ` (${sum > 100 ? `${sum - 100} too many` : `${100 - sum} missing`})`}
              </Table.Cell>
              <Table.Cell />
              <Table.Cell />
            </Table.Row>
          </Table.Body>
        </Table.Root>
      </Box>
      <Flex gap="5" wrap="wrap" mt="6">
        <Field label="Passages come back" width="370px">
          <Pick value={wish.school} options={choices.schools} pick={(school) => set({ school })} />
        </Field>
        <Field label="Takes in rounds are" width="200px">
          <Pick value={wish.mix} options={choices.mixes} pick={(mix) => set({ mix })} />
        </Field>
        <Field label="Passages under way, at most" hint="0: no limit">
          <NumberInput
            label="Passages under way, at most"
            value={wish.underWay ?? 0}
            min={0}
            max={200}
            onChange={(underWay) => set({ underWay })}
          />
        </Field>
        <Field label="Scales a day, at most">
          <Select
            value={wish.scaleMinutes}
            onChange={(event) => set({ scaleMinutes: Number(event.target.value) })}
          >
            {[...new Set([20, 45, wish.scaleMinutes])].map((minutes) => (
              <option key={minutes} value={minutes}>
                {minutes} min
              </option>
            ))}
          </Select>
        </Field>
      </Flex>
      <chakra.fieldset mt="6">
        <chakra.legend fontSize="0.85em" color="faded" mb="1">
          Minutes you usually have
        </chakra.legend>
        <Flex gap="3" wrap="wrap">
          {weekdays.map((day, i) => (
            <Field key={day} label={day}>
              <NumberInput
                label={`Minutes on ${day}`}
                value={wish.weekdayMinutes[i] ?? 0}
                min={0}
                max={choices.mostMinutes}
                onChange={(value) =>
                  set({ weekdayMinutes: wish.weekdayMinutes.map((old, at) => (at === i ? value : old)) })
                }
              />
            </Field>
          ))}
        </Flex>
      </chakra.fieldset>
      <Refusal />
      <Press look="strong" mt="5" onClick={() => save()}>
        Keep
      </Press>
    </Page>
  )
}
