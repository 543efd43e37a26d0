import { Box, Flex, Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { api, type Schemas } from '../../api/client'
import { NumberInput } from '../../ui/NumberInput'
import { Press } from '../../ui/Press'
import { Select } from '../../ui/Select'
import type { Today } from './useToday'

/** What waits, and anything else, can be added by hand. */
export function AddDrill({ state, today }: { state: Today; today: Schemas['TodayView'] }) {
  // The plan comes first; what could be added is asked for a moment later.
  const [asked, setAsked] = useState(false)
  useEffect(() => {
    const timer = setTimeout(() => setAsked(true), 800)
    return () => clearTimeout(timer)
  }, [])
  const materials = api.useQuery('get', '/api/materials', undefined, { enabled: asked })
  const [chosen, setChosen] = useState('')
  const [minutes, setMinutes] = useState(3)
  const waiting = today.waiting.filter((item) => item.materialId !== null)
  const add = async (materialId: number, value: number) => {
    if (await state.change({ kind: 'Add', materialId, value })) setChosen('')
  }
  return (
    <Box className="no-print" borderTop="1px solid" borderColor="line" pt="3">
      {waiting.length > 0 && (
        <Flex gap="2" wrap="wrap" mb="3" align="center">
          <Text color="faded">Waits:</Text>
          {waiting.slice(0, 6).map((item) => (
            <Press
              key={`${item.materialId}`}
              minH="34px"
              px="3"
              fontWeight={500}
              title={item.reason}
              onClick={() => item.materialId !== null && void add(item.materialId, 3)}
            >
              {item.title}
            </Press>
          ))}
        </Flex>
      )}
      <Flex gap="3" wrap="wrap" align="center">
        <Select
          aria-label="Material to add"
          width="auto"
          maxW="320px"
          value={chosen}
          onFocus={() => setAsked(true)}
          onChange={(event) => setChosen(event.target.value)}
        >
          <option value="">Add something …</option>
          {materials.data
            ?.filter((item) => !item.resting)
            .map((item) => (
              <option key={item.id} value={item.id}>
                {item.title}
              </option>
            ))}
        </Select>
        <NumberInput label="Minutes to add" value={minutes} min={1} max={60} onChange={setMinutes} />
        <Press disabled={!chosen} onClick={() => add(Number(chosen), minutes)}>
          Add
        </Press>
      </Flex>
    </Box>
  )
}
