import { Box, chakra, Grid, Input } from '@chakra-ui/react'
import { X } from 'lucide-react'
import { api } from '../../api/client'
import { NumberInput } from '../../ui/NumberInput'
import { Press } from '../../ui/Press'
import { Select } from '../../ui/Select'
import { useSortableItem } from '../../ui/useSortableItem'
import { Tick } from '../../ui/Tick'
import type { Part } from './elements'

/** A part with a key of its own, so that it can be dragged. */
export type KeyedPart = Part & { key: string }

interface Props {
  part: KeyedPart
  change: (part: Partial<KeyedPart>) => void
  remove: () => void
}

/** One part: what, how, how long, whether it must stay, and what it is played on. */
export function PartRow({ part, change, remove }: Props) {
  const name = part.title || 'new part'
  const { item, handle } = useSortableItem(part.key, name)
  const materials = api.useQuery('get', '/api/materials')
  const known = (materials.data ?? []).filter((one) => one.kind === 'Exercise' || one.kind === 'Passage')
  const on = part.materialId ? String(part.materialId) : part.fromRepertoire ? 'repertoire' : ''
  return (
    <chakra.li {...item} py="2">
      <Grid
        templateColumns={{
          base: '24px 1fr',
          lg: '24px minmax(160px,1.2fr) minmax(200px,2fr) 78px auto minmax(130px,1fr) 152px 36px',
        }}
        columnGap="2.5"
        rowGap="2"
        alignItems="center"
      >
        {handle}
        <Input
          aria-label={`What, ${name}`}
          placeholder="what"
          value={part.title}
          onChange={(event) => change({ title: event.target.value })}
        />
        <Input
          aria-label={`How, ${name}`}
          placeholder="how"
          gridColumn={{ base: '2', lg: 'auto' }}
          value={part.how}
          onChange={(event) => change({ how: event.target.value })}
        />
        <Box gridColumn={{ base: '2', lg: 'auto' }}>
          <NumberInput
            label={`Minutes, ${name}`}
            value={part.minutes ?? 1}
            min={1}
            max={15}
            onChange={(minutes) => change({ minutes })}
          />
        </Box>
        <Tick
          gridColumn={{ base: '2', lg: 'auto' }}
          label="core"
          on={part.core ?? true}
          set={(core) => change({ core })}
        />
        <Box gridColumn={{ base: '2', lg: 'auto' }}>
          <Select
            aria-label={`Played on, ${name}`}
            value={on}
            onChange={(event) =>
              change({
                fromRepertoire: event.target.value === 'repertoire',
                materialId: Number(event.target.value) || null,
              })
            }
          >
            <option value="">as it says</option>
            <option value="repertoire">a passage you know, chosen each day</option>
            {known.map((one) => (
              <option key={one.id} value={one.id}>
                {one.title}
              </option>
            ))}
          </Select>
        </Box>
        <Box gridColumn={{ base: '2', lg: 'auto' }}>
          <Select
            aria-label={`Drone, ${name}`}
            value={part.drone ?? 'AsSet'}
            onChange={(event) => change({ drone: event.target.value as Part['drone'] })}
          >
            <option value="AsSet">drone as set</option>
            <option value="With">with drone</option>
            <option value="Without">no drone</option>
          </Select>
        </Box>
        <Press
          look="icon"
          gridColumn={{ base: '2', lg: 'auto' }}
          justifySelf={{ base: 'end', lg: 'auto' }}
          aria-label={`Remove ${name}`}
          onClick={remove}
        >
          <X size={17} />
        </Press>
      </Grid>
    </chakra.li>
  )
}
