import { Box } from '@chakra-ui/react'
import { keyframes } from '@emotion/react'
import { useIsLong } from '../api/underWay'

const along = keyframes`from { left: -30% } to { left: 100% }`

/** A bar at the top of the window while anything takes more than a second: how long it lasts is not known, that it goes on is. */
export function Working() {
  if (!useIsLong()) return null
  return (
    <Box
      role="progressbar"
      aria-label="Still working"
      aria-valuetext="Still working"
      className="no-print"
      position="fixed"
      top="0"
      left="0"
      right="0"
      height="4px"
      bg="line"
      overflow="hidden"
      zIndex={20}
    >
      <Box
        position="absolute"
        top="0"
        bottom="0"
        width="30%"
        bg="accent"
        animation={`${along} 1.6s linear infinite`}
        css={{ '@media (prefers-reduced-motion: reduce)': { animation: 'none', left: 0, width: '100%' } }}
      />
    </Box>
  )
}
