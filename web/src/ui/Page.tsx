import { Box, Flex, chakra } from '@chakra-ui/react'
import type { Problem } from '../api/client'
import { Refused } from './refusal'
import { usePageChange } from './usePageChange'

interface PageProps {
  title: string
  aside?: React.ReactNode
  /** What was refused, where the whole page is the form. */
  problem?: Problem | null
  children: React.ReactNode
}

/** A view: its heading is its title, gets the focus when one comes to it, and stands first. */
export function Page({ title, aside, problem, children }: PageProps) {
  const heading = usePageChange<HTMLHeadingElement>(title)
  return (
    <Box as="main" id="main" tabIndex={-1} maxW="1260px" mx="auto" px={{ base: '4', md: '8' }} pt="4" pb="6">
      <Flex align="baseline" justify="space-between" columnGap="6" rowGap="2" wrap="wrap" mb="4">
        <chakra.h1 ref={heading} tabIndex={-1} outline="none" fontSize={{ base: '1.76rem', md: '2.24rem' }}>
          {title}
        </chakra.h1>
        {aside}
      </Flex>
      {problem === undefined ? children : <Refused problem={problem}>{children}</Refused>}
    </Box>
  )
}

/** An empty view says what will stand there and offers the first step. */
export function Empty({ children }: { children: React.ReactNode }) {
  return (
    <Box borderLeft="4px solid" borderColor="accent" pl="4" py="2" color="faded" maxW="62ch">
      {children}
    </Box>
  )
}
