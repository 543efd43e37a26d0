import { Box, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { bookQuery } from '../../api/book'
import { cropped } from '../repertoire/pageBox'
import type { Paper } from './usePaper'
import { useWindowSize } from './useWindowSize'

/** What stands above and below a page on the stage, in pixels. */
const around = 165
/** Part of the window's height that the place of a passage takes at most: the words and the keys stay in sight. */
const partOfWindow = 0.22

/** Paper on the stage, as large as there is room: where the passage stands, or a page in place of everything else. */
export function StagePaper({ paper }: { paper: Paper }) {
  const size = useWindowSize()
  const [picture, setPicture] = useState<{ width: number; height: number } | null>(null)
  const address = bookQuery(`/api/pages/${paper.pageId}`)
  const height = paper.bars ? size.height * partOfWindow : size.height - around - (size.width < 1000 ? 90 : 0)
  if (paper.isPdf)
    return (
      <chakra.iframe
        src={`${address}#navpanes=0`}
        title="Page"
        width="100%"
        height={`${height}px`}
        border="0"
        bg="white"
        borderRadius="8px"
      />
    )
  const width = size.width - (size.width < 768 ? 32 : 80)
  const shown = picture && cropped(paper.area, picture, { width, height })
  return (
    <Box
      position="relative"
      overflow="hidden"
      borderRadius="8px"
      bg="white"
      mx="auto"
      width={`${shown?.width ?? width}px`}
      height={`${shown?.height ?? height}px`}
      data-testid="stage-paper"
    >
      <chakra.img
        key={paper.pageId}
        src={address}
        alt={paper.bars ? `Bars ${paper.bars} on the page` : 'Page'}
        position="absolute"
        maxW="none"
        visibility={shown ? undefined : 'hidden'}
        style={shown?.picture}
        onLoad={({ currentTarget: { naturalWidth, naturalHeight } }) =>
          setPicture({ width: naturalWidth, height: naturalHeight })
        }
      />
    </Box>
  )
}
