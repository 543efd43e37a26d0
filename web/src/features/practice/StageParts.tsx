import { Flex, Text } from '@chakra-ui/react'
import { Press } from '../../ui/Press'

/** The program does not answer, and there is nothing to show yet. */
export function Away({ retry }: { retry: () => void }) {
  return (
    <Flex
      as="main"
      id="main"
      className="stage"
      bg="stage"
      color="stageText"
      minH="100vh"
      align="center"
      justify="center"
      direction="column"
      gap="5"
    >
      <Text fontSize="1.65rem">
        The program does not answer. Start it again with ./run; what you played is kept.
      </Text>
      <StageButton keys="" name="Try again" press={retry} />
    </Flex>
  )
}

/** What went wrong, until it is settled. */
export function Told({ dismiss, children }: { dismiss?: () => void; children: React.ReactNode }) {
  return (
    <Flex
      role="alert"
      bg="stageWrong"
      px="4"
      py="2"
      borderRadius="6px"
      gap="4"
      align="center"
      justify="space-between"
    >
      <Text>{children}</Text>
      {dismiss && <StageButton keys="" name="I see" press={dismiss} />}
    </Flex>
  )
}

export function StageButton({ keys, name, press }: { keys: string; name: string; press: () => void }) {
  return (
    <Press
      borderColor="stageEdge"
      px="2"
      gap="1.5"
      fontSize="0.92rem"
      minH="44px"
      fontWeight={500}
      _hover={{ bg: 'stageHover' }}
      onClick={(event) => {
        // After a mouse or a finger the keys belong to the stage again.
        if (event.detail > 0) (event.currentTarget as HTMLElement).blur()
        press()
      }}
    >
      {/* On a phone there are no keys to name; the two arrows say yes and no there too. */}
      {keys && (
        <Text
          as="span"
          fontWeight={700}
          display={{ base: '→←'.includes(keys) ? 'inline' : 'none', md: 'inline' }}
        >
          {keys}
        </Text>
      )}
      {name}
    </Press>
  )
}
