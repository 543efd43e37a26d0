import { Box, Flex, Text } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'
import { AddFile } from '../recording/AddFile'
import { ApartOf } from '../recording/Apart'
import { RecordingList } from '../recording/RecordingList'

interface Props {
  piece: Schemas['PieceView']
  /** The passage at hand. */
  passage: Schemas['PassageView'] | undefined
}

/** What was recorded of a piece and its passages, and what the passage at hand sounded like at first. */
export function PieceRecordings({ piece, passage }: Props) {
  return (
    <Box as="section" aria-label="Recordings" mt="5">
      <Flex gap="5" align="baseline" wrap="wrap">
        <Text fontWeight={700} fontSize="1.1em">
          Recordings
        </Text>
        <AddFile kind="Added" materialId={passage?.id ?? piece.id}>
          Add a file of {passage ? passage.bars : 'it'}
        </AddFile>
      </Flex>
      {passage && <ApartOf materialId={passage.id} />}
      <RecordingList
        materialId={piece.id}
        named
        empty="None yet. R on the stage records the next take; the first one stays, to be heard beside later ones."
      />
    </Box>
  )
}
