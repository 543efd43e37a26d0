import { Box, Flex, Text } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'
import { Press } from '../../ui/Press'
import { Refusal } from '../../ui/refusal'
import { sayDate } from '../../ui/words'
import { useRelief } from '../material/useRelief'

/** Of what there has been less for two weeks: as usual again, or two weeks more. */
export function Reliefs({ reliefs }: { reliefs: Schemas['ReliefView'][] }) {
  const { problem, give } = useRelief()
  return (
    <Box data-testid="reliefs">
      {reliefs.map(({ materialId, title, relief, words, from }) => (
        <Box key={materialId} borderLeft="4px solid" borderColor="accent" pl="4" mt="4" fontSize="0.95em">
          <Text>
            {title} annoyed: {words} since {sayDate(from)}. How is it now?
          </Text>
          <Flex gap="2" mt="1" wrap="wrap">
            <Press onClick={() => give(materialId, 'None')}>As usual again</Press>
            <Press onClick={() => give(materialId, relief)}>Two weeks more</Press>
          </Flex>
        </Box>
      ))}
      <Refusal problem={problem} />
    </Box>
  )
}
