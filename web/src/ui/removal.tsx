import { Box, Flex, Text } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { createContext, useCallback, useContext, useEffect, useState } from 'react'
import { Press, Refusal, useProblem } from './fields'

/** So long a removal can be taken back; longer while the hand or the keys are on the offer. */
const seconds = 10

interface Removed {
  /** What was done: "Removed: Everyday weave". */
  what: string
  /** Brings it back. */
  back: () => Promise<unknown>
}

const Offer = createContext<(removed: Removed) => void>(() => {})

/** Holds the offers to take a removal back, under whatever page is open. */
export function RemovalOffers({ children }: { children: React.ReactNode }) {
  const [offers, setOffers] = useState<(Removed & { id: number })[]>([])
  const offer = useCallback(
    (removed: Removed) =>
      setOffers((old) => [...old.slice(-2), { ...removed, id: Date.now() + Math.random() }]),
    [],
  )
  const drop = useCallback((id: number) => setOffers((old) => old.filter((one) => one.id !== id)), [])
  return (
    <Offer.Provider value={offer}>
      {children}
      <Box
        role="status"
        className="no-print"
        position="fixed"
        bottom={{ base: '68px', md: '4' }}
        left="50%"
        transform="translateX(-50%)"
        width="min(560px, 94vw)"
        zIndex="10"
      >
        {offers.map((one) => (
          <Strip key={one.id} removed={one} over={() => drop(one.id)} />
        ))}
      </Box>
    </Offer.Provider>
  )
}

function Strip({ removed, over }: { removed: Removed; over: () => void }) {
  const queries = useQueryClient()
  const { problem, run } = useProblem()
  const [held, setHeld] = useState(false)
  useEffect(() => {
    if (held) return
    const timer = setTimeout(over, seconds * 1000)
    return () => clearTimeout(timer)
    // A new page draws it anew; its ten seconds go on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [held])
  const back = async () => {
    const done = await run(async () => {
      await removed.back()
      return true
    })
    if (!done) return
    await queries.invalidateQueries()
    over()
  }
  return (
    <Flex
      bg="ink"
      color="paper"
      borderRadius="8px"
      px="4"
      py="2"
      mt="2"
      gap="4"
      align="center"
      justify="space-between"
      onMouseEnter={() => setHeld(true)}
      onMouseLeave={() => setHeld(false)}
      onFocus={() => setHeld(true)}
      onBlur={() => setHeld(false)}
    >
      <Box minW="0">
        <Text overflowWrap="anywhere">{removed.what}</Text>
        <Refusal problem={problem} />
      </Box>
      <Press borderColor="paper" minH="38px" _hover={{ bg: 'rgba(255,255,255,0.14)' }} onClick={back}>
        Take it back
      </Press>
    </Flex>
  )
}

/** Offers to take something back that was just done. */
export const useOffer = () => useContext(Offer)

/** Takes a row out of a list that is being written, and offers to put it back where it stood. */
export function useRowRemoval() {
  const offer = useContext(Offer)
  return useCallback(
    <T,>(what: string, list: T[], at: number, set: (change: (now: T[]) => T[]) => void) => {
      const row = list[at]
      if (row === undefined) return
      set((now) => now.filter((one) => one !== row))
      offer({
        what: `Removed: ${what || 'a row'}`,
        back: async () => set((now) => [...now.slice(0, at), row, ...now.slice(at)]),
      })
    },
    [offer],
  )
}

/** Removes something, and offers to take that back. Answers whether it is gone. */
export function useRemoval() {
  const offer = useContext(Offer)
  const queries = useQueryClient()
  return useCallback(
    async (what: string, remove: () => Promise<unknown>, back: () => Promise<unknown>) => {
      await remove()
      offer({ what: `Removed: ${what.length > 60 ? `${what.slice(0, 57)} …` : what}`, back })
      await queries.invalidateQueries()
      return true
    },
    [offer, queries],
  )
}
