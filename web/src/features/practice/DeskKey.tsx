import { Text } from '@chakra-ui/react'
import { Press } from '../../ui/Press'

/** A key on a page that looks like the stage, to be touched as well. */
export function DeskKey({ keys, name, press }: { keys: string; name: string; press: () => void }) {
  return (
    <Press borderColor="stageEdge" minH="44px" fontWeight={500} _hover={{ bg: 'stageHover' }} onClick={press}>
      <Text as="span" fontWeight={700}>
        {keys}
      </Text>
      {name}
    </Press>
  )
}
