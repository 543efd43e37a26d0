import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, ask, client, type Schemas } from '../../api/client'
import { Outline } from '../../ui/Outline'
import { AreaGlyph, areaLooks } from '../../ui/areas'
import { Field, NumberInput, Page, Press, Refusal, Select, useProblem } from '../../ui/fields'

const days = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

/** How the week is shared out, and the schools one follows. */
export function SharesPage() {
  const profile = api.useQuery('get', '/api/profile')
  return profile.data ? <Form key={profile.data.version} start={profile.data} /> : <Outline />
}

function Form({ start }: { start: Schemas['ProfileView'] }) {
  const [wish, setWish] = useState(start)
  const { problem, run } = useProblem()
  const queries = useQueryClient()
  const set = (part: Partial<Schemas['ProfileView']>) => setWish({ ...wish, ...part })
  const share = (area: Schemas['Area'], part: Partial<Schemas['AreaShare']>) =>
    set({ shares: wish.shares.map((one) => (one.area === area ? { ...one, ...part } : one)) })
  const sum = wish.shares.reduce((all, one) => all + one.percent, 0)
  const save = async () => {
    if (await run(() => ask(client.PUT('/api/profile', { body: wish })))) await queries.invalidateQueries()
  }
  return (
    <Page title="Shares">
      <Text color="faded" maxW="64ch" mb="3">
        The warm-up goes by the length of a sitting. The other five share the week: what one gets too little
        of today, the plan gives back on the days after.
      </Text>
      <Box overflowX="auto" position="relative">
        <chakra.table
          css={{
            '& th, & td': {
              textAlign: 'left',
              padding: '6px 18px 6px 0',
              borderBottom: '1px solid #d8cfb9',
            },
            '& th': { fontSize: '0.85em', color: '#5d594e' },
          }}
        >
          <thead>
            <tr>
              <th>area</th>
              <th>share of the week, %</th>
              <th>least a day, min</th>
              <th>most a day, min</th>
            </tr>
          </thead>
          <tbody>
            {wish.shares.map((one) => (
              <tr key={one.area}>
                <td>
                  <Flex gap="2" align="center">
                    <AreaGlyph area={one.area} /> {areaLooks[one.area].name}
                  </Flex>
                </td>
                <td>
                  <NumberInput
                    look="row"
                    label={`${areaLooks[one.area].name}, share`}
                    value={one.percent}
                    min={0}
                    max={100}
                    onChange={(percent) => share(one.area, { percent })}
                  />
                </td>
                <td>
                  <NumberInput
                    look="row"
                    label={`${areaLooks[one.area].name}, least`}
                    value={one.least}
                    min={0}
                    max={240}
                    onChange={(least) => share(one.area, { least })}
                  />
                </td>
                <td>
                  <NumberInput
                    look="row"
                    label={`${areaLooks[one.area].name}, most`}
                    value={one.most}
                    min={0}
                    max={240}
                    onChange={(most) => share(one.area, { most })}
                  />
                </td>
              </tr>
            ))}
            <tr>
              <td>together</td>
              <chakra.td fontWeight={700} color={sum === 100 ? undefined : 'wrong'} aria-live="polite">
                {sum} %{sum !== 100 && ` (${sum > 100 ? `${sum - 100} too many` : `${100 - sum} missing`})`}
              </chakra.td>
              <td />
              <td />
            </tr>
          </tbody>
        </chakra.table>
      </Box>
      <Flex gap="5" wrap="wrap" mt="6">
        <Field label="Passages come back" width="370px">
          <Select
            value={wish.school}
            onChange={(event) => set({ school: event.target.value as Schemas['School'] })}
          >
            <option value="WideningGaps">in widening gaps, by how well it went</option>
            <option value="EveryOtherDay">every other day, come what may</option>
            <option value="ToughestFirst">toughest daily, ready ones every third day</option>
          </Select>
        </Field>
        <Field label="Takes in rounds are" width="200px">
          <Select value={wish.mix} onChange={(event) => set({ mix: event.target.value as Schemas['Mix'] })}>
            <option value="Shuffled">shuffled every round</option>
            <option value="InTurn">in the same turn</option>
            <option value="Blocked">blocked, one after the other</option>
          </Select>
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
          {days.map((day, i) => (
            <Field key={day} label={day}>
              <NumberInput
                label={`Minutes on ${day}`}
                value={wish.weekdayMinutes[i] ?? 0}
                min={0}
                max={240}
                onChange={(value) =>
                  set({ weekdayMinutes: wish.weekdayMinutes.map((old, at) => (at === i ? value : old)) })
                }
              />
            </Field>
          ))}
        </Flex>
      </chakra.fieldset>
      <Refusal problem={problem} />
      <Press look="strong" mt="5" onClick={() => save()}>
        Keep
      </Press>
    </Page>
  )
}
