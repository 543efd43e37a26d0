import { Box } from '@chakra-ui/react'
import { Engraving } from '../../ui/Engraving'
import { useWindowSize } from './useWindowSize'

/** Pixels from the lowest to the highest line: read at a metre and a half. */
const staff = 60
/** Held in the hand. */
const held = 26
/** The same as the engraver draws it, unscaled. */
const drawn = 31

/** The music at hand over the whole width; where it does not fit it goes on in a second line rather than smaller. */
export function StageMusic({ abc, label, height = staff }: { abc: string; label: string; height?: number }) {
  const { width } = useWindowSize()
  const margins = width < 768 ? 32 : 80
  // On a phone half as large: it is held, not looked at from a stand.
  const large = width < 768 ? Math.max(held, height / 2) : height
  return (
    <Box width="100%">
      <Engraving
        abc={abc}
        label={label}
        staffWidth={Math.round(((width - margins) * drawn) / large)}
        wrap
        dark
      />
    </Box>
  )
}
