import { Box, Flex, Input, Text, chakra } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { api, type Schemas } from '../../api/client'
import { Fold } from '../../ui/Fold'
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
  const [minutes, setMinutes] = useState<number | null>(null)
  const waiting = today.waiting.filter((item) => item.materialId !== null)
  // Without minutes it gets the usual ones.
  const add = async (materialId: number, value: number | null) => {
    if (await state.change({ kind: 'Add', materialId, value })) setChosen('')
  }
  return (
    <Box className="no-print" borderTop="1px solid" borderColor="line" pt="3">
      {waiting.length > 0 && <Waiting waiting={waiting} add={(id) => void add(id, null)} />}
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
        <Box width="110px">
          <Input
            aria-label="Minutes to add"
            inputMode="numeric"
            placeholder="minutes"
            value={minutes ?? ''}
            onChange={(event) => setMinutes(Number.parseInt(event.target.value, 10) || null)}
          />
        </Box>
        <Press disabled={!chosen} onClick={() => add(Number(chosen), minutes)}>
          Add
        </Press>
      </Flex>
    </Box>
  )
}

/** One line that opens: what has no place today, and why. */
function Waiting({ waiting, add }: { waiting: Schemas['Waiting'][]; add: (materialId: number) => void }) {
  const [open, setOpen] = useState(false)
  return (
    <Box mb="3">
      <Fold open={open} toggle={() => setOpen(!open)}>
        <Text as="span" color="faded" flex="none">
          Waits:
        </Text>
        {!open && (
          <Text as="span" truncate>
            {waiting.map((item) => item.title).join(' · ')}
          </Text>
        )}
      </Fold>
      {open && (
        <chakra.ul listStyleType="none" aria-label="What waits">
          {waiting.map((item) => (
            <chakra.li key={item.materialId} display="flex" gap="3" alignItems="center" flexWrap="wrap">
              <Text fontWeight={600}>{item.title}</Text>
              <Text color="faded" flex="1" minW="140px">
                {item.reason}
              </Text>
              <Press
                look="quiet"
                minH="38px"
                aria-label={`Add ${item.title}`}
                onClick={() => item.materialId !== null && add(item.materialId)}
              >
                add
              </Press>
            </chakra.li>
          ))}
        </chakra.ul>
      )}
    </Box>
  )
}
