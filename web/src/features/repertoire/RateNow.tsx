import { Box, Flex, Text } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import type { Schemas } from '../../api/client'
import { Press } from '../../ui/Press'
import { ReadinessSign, readinessOrder, readinessWords } from '../../ui/Readiness'
import { Refusal, useProblem } from '../../ui/refusal'

interface Props {
  lines: Schemas['ListLine'][]
  rate: (rating: Schemas['ListRating']) => Promise<void>
  close: () => void
}

/** One thing after the other, a figure or a tap each: all of a list in a minute. */
export function RateNow({ lines, rate, close }: Props) {
  const [at, setAt] = useState(0)
  const { problem, run } = useProblem()
  const line = lines[at]
  const box = useRef<HTMLDivElement>(null)
  useEffect(() => box.current?.focus(), [])
  const give = async (readiness: Schemas['Readiness']) => {
    if (!line) return
    const kept = await run(async () => {
      await rate({ materialId: line.materialId, readiness })
      return true
    })
    if (kept) setAt(at + 1)
  }
  const piece = line && !line.isPiece ? lines.find((one) => one.materialId === line.pieceId)?.title : ''
  return (
    <Box
      ref={box}
      tabIndex={-1}
      role="group"
      aria-label="Rate now"
      bg="sheet"
      borderRadius="8px"
      p="5"
      mb="6"
      data-testid="rate-now"
      onKeyDown={(event) => {
        const chosen = readinessOrder[Number(event.key) - 1]
        if (chosen) void give(chosen)
        else if (event.key === 'ArrowLeft' && at > 0) setAt(at - 1)
        else if (event.key === 'Escape') close()
      }}
    >
      {line ? (
        <>
          <Text color="faded" aria-live="polite">
            {at + 1} of {lines.length}
          </Text>
          <Text fontFamily="heading" fontSize="heading" fontWeight={600} mb="3">
            {piece ? `${piece}, ${line.title}` : line.title}
          </Text>
          <Flex gap="2" wrap="wrap" align="center">
            {readinessOrder.map((one, i) => (
              <Press
                key={one}
                minH="54px"
                aria-pressed={line.readiness === one}
                onClick={() => void give(one)}
              >
                <b>{i + 1}</b>
                <ReadinessSign value={one} />
                {readinessWords[one]}
              </Press>
            ))}
            <Press look="quiet" onClick={() => setAt(at + 1)}>
              leave it
            </Press>
            {at > 0 && (
              <Press look="quiet" onClick={() => setAt(at - 1)}>
                back
              </Press>
            )}
            <Press look="quiet" onClick={close}>
              stop here
            </Press>
          </Flex>
        </>
      ) : (
        <Flex gap="4" align="center">
          <Text fontSize="lead">All rated; the order of work follows.</Text>
          <Press onClick={close}>Close</Press>
        </Flex>
      )}
      <Refusal problem={problem} />
    </Box>
  )
}
