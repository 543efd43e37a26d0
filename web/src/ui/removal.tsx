import { Box, Toast, Toaster, createToaster } from '@chakra-ui/react'
import { useSaved } from '../api/saved'
import { useCallback } from 'react'
import { useLocation } from 'react-router'
import { Press } from './Press'
import { Refusal, useProblem } from './refusal'

/** So long a removal can be taken back; longer while the hand or the keys are on the offer, or nobody looks at the page. */
const duration = 10_000

const offers = createToaster({
  placement: 'bottom',
  duration,
  max: 3,
  pauseOnPageIdle: true,
  // Above the places at the thumb.
  offsets: { bottom: '76px', top: '16px', left: '16px', right: '16px' },
})

interface Removed {
  /** What was done: "Removed: Everyday weave". */
  what: string
  /** Brings it back. */
  back: () => Promise<unknown>
}

/** Offers to take something back that was just done. */
export const offer = ({ what, back }: Removed) => {
  offers.create({ title: what, meta: { back } })
}

/** Where the offers stand, under whatever page is open; never over the stage, whose keys are at the bottom. */
export function RemovalOffers() {
  if (useLocation().pathname === '/practise') return null
  return (
    <Toaster toaster={offers} className="no-print">
      {(toast) => (
        <Toast.Root>
          <Strip
            what={String(toast.title)}
            back={toast.meta?.back as Removed['back']}
            over={() => offers.dismiss(toast.id)}
          />
        </Toast.Root>
      )}
    </Toaster>
  )
}

function Strip({ what, back, over }: Removed & { over: () => void }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const takeBack = async () => {
    const done = await run(async () => {
      await back()
      return true
    })
    if (!done) return
    await saved()
    over()
  }
  return (
    <>
      <Box minW="0">
        <Toast.Title>{what}</Toast.Title>
        <Refusal problem={problem} />
      </Box>
      <Press borderColor="paper" minH="38px" _hover={{ bg: 'inkHover' }} onClick={takeBack}>
        Take it back
      </Press>
    </>
  )
}

/** Takes a row out of a list that is being written, and offers to put it back where it stood. */
export function removeRow<T>(what: string, list: T[], at: number, set: (change: (now: T[]) => T[]) => void) {
  const row = list[at]
  if (row === undefined) return
  set((now) => now.filter((one) => one !== row))
  offer({
    what: `Removed: ${what || 'a row'}`,
    back: async () => set((now) => [...now.slice(0, at), row, ...now.slice(at)]),
  })
}

/** Removes something, and offers to take that back. Answers whether it is gone. */
export function useRemoval() {
  const saved = useSaved()
  return useCallback(
    async (what: string, remove: () => Promise<unknown>, back: () => Promise<unknown>) => {
      await remove()
      offer({ what: `Removed: ${what.length > 60 ? `${what.slice(0, 57)} …` : what}`, back })
      await saved()
      return true
    },
    [saved],
  )
}
