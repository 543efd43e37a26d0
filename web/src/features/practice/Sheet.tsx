import { Flex, chakra } from '@chakra-ui/react'
import { useEffect, useRef } from 'react'
import { Press } from '../../ui/fields'

const Dialog = chakra('dialog', {
  base: {
    m: 'auto',
    p: '6',
    border: '2px solid',
    borderColor: 'ink',
    borderRadius: '10px',
    bg: 'paper',
    color: 'ink',
    width: 'min(680px, 94vw)',
    maxH: '90vh',
    '&::backdrop': { background: 'rgba(10,12,18,0.6)' },
  },
})

/** A sheet of paper laid over the stage; Escape takes it away. */
export function Sheet({
  title,
  close,
  children,
}: {
  title: string
  close: () => void
  children: React.ReactNode
}) {
  const dialog = useRef<HTMLDialogElement>(null)
  useEffect(() => {
    if (!dialog.current?.open) dialog.current?.showModal()
    // The dialog gives the keys to its first button; they belong to what is to be written.
    const first = dialog.current?.querySelector<HTMLTextAreaElement>('textarea[data-first]')
    first?.focus()
    first?.setSelectionRange(first.value.length, first.value.length)
  }, [])
  return (
    <Dialog ref={dialog} aria-label={title} onClose={close}>
      <Flex justify="space-between" align="center" mb="3">
        <chakra.h2 fontSize="26px">{title}</chakra.h2>
        <Press look="quiet" onClick={close}>
          Close
        </Press>
      </Flex>
      {children}
    </Dialog>
  )
}
