import { Box, chakra, Flex, Text } from '@chakra-ui/react'

/** What is read, what is to be done now, and beside it what counts: the seconds of the look, or the bar. */
export function ReadingHead({
  title,
  now,
  touch,
  bar,
  children,
}: {
  title: string
  now: string
  /** Touching the title finds it. */
  touch?: () => void
  /** The bar that sounds, 0 while it is counted in; left out where nothing runs. */
  bar?: number | null
  children?: React.ReactNode
}) {
  return (
    <Flex align="center" gap="8" wrap="wrap" justify="space-between">
      <Box flex="1" minW="280px">
        <chakra.h1
          fontSize={{ base: '1.8rem', md: '2.71rem' }}
          lineHeight={1.15}
          data-testid="reading-title"
          onClick={touch}
        >
          {title}
        </chakra.h1>
        <Text
          fontSize={{ base: '1.3rem', md: '2.1rem' }}
          lineHeight={1.2}
          data-testid="reading-now"
          aria-live="polite"
        >
          {now}
        </Text>
      </Box>
      {children}
      {bar !== undefined && (
        <Text
          fontFamily="heading"
          fontWeight={600}
          fontSize="7rem"
          lineHeight={1}
          fontVariantNumeric="tabular-nums"
          data-testid="bar"
        >
          {bar ? bar : '–'}
        </Text>
      )}
    </Flex>
  )
}
