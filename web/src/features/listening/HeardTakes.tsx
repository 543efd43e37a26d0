import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { api, type Schemas } from '../../api/client'
import { Press } from '../../ui/Press'
import { HeardStrip } from './HeardStrip'

/** So many are shown until more are asked for. */
const fewest = 4

/** Takes that were listened to, drawn as they were heard: those of a day, or the last ones. */
export function HeardTakes({ title, day }: { title: string; day?: string }) {
  const [all, setAll] = useState(false)
  const takes = api.useQuery('get', '/api/heard', { params: { query: { day } } }).data?.takes ?? []
  if (takes.length === 0) return null
  return (
    <Box as="section" mb="4" aria-label={title}>
      <chakra.h2 fontSize="subheading">{title}</chakra.h2>
      {takes.slice(0, all ? undefined : fewest).map((heard) => (
        <Take key={heard.id} heard={heard} />
      ))}
      {!all && takes.length > fewest && (
        <Press look="quiet" onClick={() => setAll(true)}>
          {takes.length - fewest} more
        </Press>
      )}
    </Box>
  )
}

function Take({ heard }: { heard: Schemas['HeardView'] }) {
  const marked = heard.marked !== null && heard.marked !== heard.clean
  return (
    <Flex gap="4" wrap="wrap" align="center" py="2" borderBottom="1px solid" borderColor="line">
      <Box flex="1" minW="220px">
        <Text fontWeight={600}>
          {heard.title}
          {heard.tempo !== null && `, ${heard.tempo}`}: {heard.clean ? 'clean' : 'missed'}
          {marked && `, marked ${heard.marked ? 'clean' : 'missed'}`}
          {heard.simulated && ' (a simulated player)'}
        </Text>
        {heard.faults.length > 0 && <Text>{heard.faults.join('; ')}</Text>}
        <Text color="faded">{[...heard.timing, ...heard.intonation].join('; ')}</Text>
      </Box>
      <HeardStrip heard={heard} />
    </Flex>
  )
}
