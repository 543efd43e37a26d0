import { Text } from '@chakra-ui/react'
import { Press } from '../../ui/Press'

/** One answer to what the stage asks: its figure key, and its name to be touched. */
export function AskChoice({ figure, name, press }: { figure: string; name: string; press: () => void }) {
  return (
    <Press borderColor="stageEdge" minH="44px" onClick={press} _hover={{ bg: 'stageHover' }}>
      {figure && (
        <Text as="span" fontWeight={700}>
          {figure}
        </Text>
      )}
      {name}
    </Press>
  )
}
