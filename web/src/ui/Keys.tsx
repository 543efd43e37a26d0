import { Box, chakra } from '@chakra-ui/react'
import type { Schemas } from '../api/client'

const black = [1, 3, 6, 8, 10]
const names = ['C', 'C sharp', 'D', 'E flat', 'E', 'F', 'F sharp', 'G', 'A flat', 'A', 'B flat', 'B']

const isBlack = (midi: number) => black.includes(midi % 12)

/** Keys to be touched, called as the instrument writes them; each is told as it sounds, when it goes down. */
export function Keys({
  keys,
  press,
  height = '120px',
}: {
  keys: Schemas['KeysView']
  /** Told the sounding MIDI note and how many milliseconds ago it went down. */
  press: (midi: number, agoMs: number) => void
  height?: string
}) {
  const all = Array.from({ length: keys.to - keys.from + 1 }, (_, i) => keys.from + i)
  const whites = all.filter((midi) => !isBlack(midi))
  const width = 100 / whites.length
  return (
    <Box
      position="relative"
      w="100%"
      maxW={`${whites.length * 64}px`}
      h={height}
      role="group"
      aria-label="Keys"
      // A finger that slides does not move the page.
      style={{ touchAction: 'none' }}
    >
      {[...whites, ...all.filter(isBlack)].map((midi) => {
        const dark = isBlack(midi)
        const left = whites.filter((white) => white < midi).length * width
        return (
          <chakra.button
            key={midi}
            type="button"
            aria-label={`${names[midi % 12]} ${Math.floor(midi / 12) - 1}`}
            position="absolute"
            top="0"
            left={`${dark ? left - width * 0.3 : left}%`}
            w={`${dark ? width * 0.6 : width}%`}
            h={dark ? '60%' : '100%'}
            borderRadius="0 0 4px 4px"
            border="1px solid"
            borderColor="stageEdge"
            bg={dark ? 'stage' : 'stageText'}
            color={dark ? 'stageText' : 'stage'}
            fontSize="0.9rem"
            display="flex"
            alignItems="end"
            justifyContent="center"
            pb="1"
            cursor="pointer"
            _active={{ bg: 'stageAccent' }}
            _focusVisible={{ outline: '3px solid', outlineColor: 'stageAccent', zIndex: 1 }}
            onPointerDown={(event) => press(midi + keys.toSounding, performance.now() - event.timeStamp)}
            // By keyboard there is a click without a pointer.
            onClick={(event) => event.detail === 0 && press(midi + keys.toSounding, 0)}
          >
            {midi % 12 === 0 && names[0]}
          </chakra.button>
        )
      })}
    </Box>
  )
}
