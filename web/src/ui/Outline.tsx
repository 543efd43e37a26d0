import { Box } from '@chakra-ui/react'

/** A quiet outline while a page is being fetched. */
export function Outline() {
  return (
    <Box
      as="main"
      id="main"
      maxW="1260px"
      mx="auto"
      px={{ base: '4', md: '8' }}
      pt="4"
      pb="6"
      aria-busy="true"
      aria-label="Being fetched"
    >
      <Box bg="line" opacity={0.6} borderRadius="6px" height="40px" width="min(420px, 70%)" mb="6" />
      <OutlineLines />
    </Box>
  )
}

/** The same for a part of a page. */
export function OutlineLines() {
  return [94, 88, 72].map((width) => (
    <Box key={width} bg="line" opacity={0.35} borderRadius="6px" height="20px" width={`${width}%`} mb="3" />
  ))
}
