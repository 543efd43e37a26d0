import { Box, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { api, type Schemas } from '../../api/client'
import { NumberInput } from '../../ui/NumberInput'
import { Press } from '../../ui/Press'
import { Select } from '../../ui/Select'
import type { Today } from './useToday'

interface Props {
  drill: Schemas['DrillView']
  state: Today
}

/** Another way to do a drill: how it goes and when it fits, then the choice, which stays when the day is planned anew. */
export function MethodChoice({ drill, state }: Props) {
  const methods = api.useQuery('get', '/api/today/drills/{id}/methods', {
    params: { path: { id: drill.id } },
  })
  const [chosen, setChosen] = useState(drill.methodId)
  if (!methods.data) return null
  const method = methods.data.find((one) => one.id === chosen)
  const take = () => state.change({ kind: 'Method', drillId: drill.id, methodId: chosen })
  return (
    <Box my="2" role="group" aria-label={`Method of ${drill.title}`}>
      {methods.data.length === 0 ? (
        <Text color="faded">
          It has no other method: what it is about decides. Swap it, or choose another thing for its minutes.
        </Text>
      ) : (
        <>
          <Flex gap="3" wrap="wrap" align="center">
            <Select
              aria-label="Method"
              width="auto"
              maxW="300px"
              value={chosen}
              onChange={(event) => setChosen(event.target.value)}
            >
              {!method && <option value={chosen}>{drill.method}</option>}
              {methods.data.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </Select>
            <Press disabled={!method || chosen === drill.methodId} onClick={() => take()}>
              Do it this way
            </Press>
          </Flex>
          {drill.times != null && chosen === drill.methodId && (
            <Flex gap="3" align="center" mt="2">
              <NumberInput
                label={`${drill.times.word === 'minutes' ? 'Minutes' : 'Times'} ${drill.title} is played`}
                value={drill.times.now}
                min={drill.times.least}
                max={drill.times.most}
                width="76px"
                onChange={(value) => void state.change({ kind: 'Times', drillId: drill.id, value })}
              />
              <Text>{drill.times.word}</Text>
            </Flex>
          )}
          {method && chosen !== drill.methodId && (
            <Text mt="2" fontSize="0.93em" maxW="76ch">
              {method.how}{' '}
              <Text as="span" color="faded">
                {method.fits} Usually {method.usual}.
              </Text>
            </Text>
          )}
        </>
      )}
    </Box>
  )
}
