import { Box, Flex, Input, Text, Textarea } from '@chakra-ui/react'
import { useState } from 'react'
import { api } from '../../api/client'
import { Field } from '../../ui/Field'
import { Tick, Ticks } from '../../ui/Tick'
import type { KeyedBlock } from './BlockRow'

interface Props {
  block: KeyedBlock
  change: (part: Partial<KeyedBlock>) => void
}

/** A name of its own, and what a block holds: chosen material, or ideas to play with; nothing chosen means everything. */
export function BlockHolds({ block, change }: Props) {
  const all = api.useQuery('get', '/api/materials')
  const [ideas, setIdeas] = useState((block.ideas ?? []).join('\n'))
  const chosen = block.materials ?? []
  const fitting = (all.data ?? []).filter((item) =>
    block.area === 'Technique'
      ? item.kind === 'Exercise' && item.area === 'Technique'
      : (block.area === 'Repertoire' || block.area === 'Play') && item.kind === 'Piece',
  )
  return (
    <Box borderLeft="3px solid" borderColor="line" pl="4" mt="2" width="100%">
      <Flex gap="5" wrap="wrap" align="start">
        <Field label="Name, if you like" width="220px">
          <Input value={block.name ?? ''} onChange={(event) => change({ name: event.target.value })} />
        </Field>
        {fitting.length > 0 && (
          <Box maxW="620px">
            <Ticks
              legend="Only these; none ticked means all"
              options={fitting.map((item) => [item.id, item.title] as const)}
              chosen={chosen}
              set={(materials) => change({ materials })}
            />
          </Box>
        )}
        {block.area === 'Play' && (
          <Tick
            mt="6"
            label="first what waits on the shelf: three ideas in five minutes"
            on={block.shelf ?? false}
            set={(shelf) => change({ shelf })}
          />
        )}
        {block.area === 'Play' && (
          <Field label="Your own ideas, one a line: songs, vocabulary, grooves you know" width="340px">
            <Textarea
              rows={3}
              value={ideas}
              onChange={(event) => setIdeas(event.target.value)}
              onBlur={() =>
                change({
                  ideas: ideas
                    .split('\n')
                    .map((idea) => idea.trim())
                    .filter((idea) => idea.length > 0),
                })
              }
            />
          </Field>
        )}
      </Flex>
      {fitting.length === 0 && block.area !== 'Play' && (
        <Text color="faded" fontSize="0.9em">
          This area chooses by itself.
        </Text>
      )}
    </Box>
  )
}
