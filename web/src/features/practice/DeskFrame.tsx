import { Flex } from '@chakra-ui/react'

/** A page in the colours of the stage, over the whole window. */
export function DeskFrame({ children }: { children: React.ReactNode }) {
  return (
    <Flex
      as="main"
      id="main"
      direction="column"
      className="stage"
      bg="stage"
      color="stageText"
      minH="100vh"
      px={{ base: '4', md: '10' }}
      py={{ base: '3', md: '6' }}
      gap="4"
    >
      {children}
    </Flex>
  )
}
