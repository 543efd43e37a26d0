import { Text } from '@chakra-ui/react'
import { api } from '../api/client'

/** Beside what is written in a demo: how long it lasts. */
export function DemoWord() {
  const about = api.useQuery('get', '/api/about', undefined, { throwOnError: false })
  if (!about.data || about.data.book === 'Own') return null
  return (
    <Text fontSize="0.88em" color="faded" mt="1" data-testid="demo-word">
      This is the demo: it is made anew tomorrow, and what you write here goes with it.
    </Text>
  )
}
