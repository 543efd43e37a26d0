import { Flex, chakra } from '@chakra-ui/react'
import { keyframes } from '@emotion/react'

const flash = keyframes`0% { background: #f2c868 } 45% { background: #f2c868 } 50% { background: #3a404e } 100% { background: #3a404e }`

/** Two lights that take turns in the tempo: a beat to be seen. */
export function Beat({ tempo, running }: { tempo: number; running: boolean }) {
  const pair = 120 / tempo
  return (
    <Flex gap="4" aria-hidden key={`${tempo}${running}`}>
      {[0, pair / 2].map((delay) => (
        <chakra.span
          key={delay}
          width="22px"
          height="22px"
          borderRadius="50%"
          bg="#3a404e"
          css={running ? { animation: `${flash} ${pair}s linear ${delay - pair}s infinite` } : undefined}
        />
      ))}
    </Flex>
  )
}
