import { Flex, Grid, Text, chakra } from '@chakra-ui/react'
import { X } from 'lucide-react'
import { useState } from 'react'
import { useChoices } from '../../api/choices'
import type { Schemas } from '../../api/client'
import { AreaGlyph, areaLooks } from '../../ui/areas'
import { Field } from '../../ui/Field'
import { NumberInput } from '../../ui/NumberInput'
import { Tick } from '../../ui/Tick'
import { Press } from '../../ui/Press'
import { useSortableItem } from '../../ui/useSortableItem'
import { BlockHolds } from './BlockHolds'

/** A block of a routine with a key of its own, so that it can be dragged. */
export type KeyedBlock = Schemas['Block'] & { key: string }

interface RowProps {
  block: KeyedBlock
  minutes?: number
  rounds?: string
  change: (part: Partial<KeyedBlock>) => void
  remove: () => void
}

/** One block: its area, what it gets on the day that is tried, and its bounds. */
export function BlockRow({ block, minutes, rounds, change, remove }: RowProps) {
  const { mostMinutes } = useChoices()
  const name = areaLooks[block.area].name
  const { item, handle } = useSortableItem(block.key, name)
  const [open, setOpen] = useState(false)
  const held = (block.materials?.length ?? 0) + (block.ideas?.length ?? 0)
  return (
    <chakra.li {...item} py="2">
      <Flex align="center" gap="3" wrap="wrap">
        {handle}
        <AreaGlyph area={block.area} />
        <Text fontWeight={700} width="130px">
          {name}
        </Text>
        <Text width="52px" fontFamily="heading" fontSize="subheading" fontWeight={600}>
          {minutes ?? '–'}′
        </Text>
        <Grid templateColumns="repeat(3, 78px)" gap="2">
          {(['least', 'wanted', 'most'] as const).map((part) => (
            <Field key={part} label={part}>
              <NumberInput
                label={`${name}, ${part}`}
                value={block[part]}
                min={0}
                max={mostMinutes}
                onChange={(value) => change({ [part]: value })}
              />
            </Field>
          ))}
        </Grid>
        <Tick label="must" on={block.must} set={(must) => change({ must })} />
        <Tick
          label="fixed"
          on={block.fixed != null}
          set={(on) => change({ fixed: on ? block.wanted || 5 : null })}
        />
        {block.fixed != null && (
          <NumberInput
            label={`${name}, fixed minutes`}
            value={block.fixed}
            min={1}
            max={mostMinutes}
            onChange={(fixed) => change({ fixed })}
          />
        )}
        <Tick
          label="work and rest"
          on={block.rounds != null}
          set={(on) => change({ rounds: on ? { work: 4, rest: 1 } : null })}
        />
        {block.rounds != null && (
          <Flex gap="1" align="center">
            <NumberInput
              label={`${name}, work minutes`}
              value={block.rounds.work}
              min={1}
              max={59}
              width="62px"
              onChange={(work) => change({ rounds: { work, rest: block.rounds?.rest ?? 1 } })}
            />
            <NumberInput
              label={`${name}, rest minutes`}
              value={block.rounds.rest}
              min={0}
              max={59}
              width="62px"
              onChange={(rest) => change({ rounds: { work: block.rounds?.work ?? 4, rest } })}
            />
          </Flex>
        )}
        <Press
          look="quiet"
          aria-expanded={open}
          aria-label={`What ${name} holds`}
          onClick={() => setOpen(!open)}
        >
          {block.name || (held > 0 ? `holds ${held}` : 'holds …')}
        </Press>
        <Press look="icon" aria-label={`Remove ${name}`} onClick={remove}>
          <X size={17} />
        </Press>
        {open && <BlockHolds block={block} change={change} />}
        {rounds && (
          <Text color="faded" fontSize="0.9em">
            {rounds}
          </Text>
        )}
      </Flex>
    </chakra.li>
  )
}
