import { Dialog, Portal } from '@chakra-ui/react'
import { useRef } from 'react'
import { Press } from './Press'

interface Props {
  title: string
  close: () => void
  children: React.ReactNode
}

/** A sheet of paper laid over the stage; Escape takes it away. */
export function Sheet({ title, close, children }: Props) {
  const paper = useRef<HTMLDivElement>(null)
  return (
    <Dialog.Root
      open
      onOpenChange={({ open }) => !open && close()}
      // The keys belong to what is to be written, not to the first button.
      initialFocusEl={() => paper.current?.querySelector<HTMLElement>('[data-first]') ?? null}
    >
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content ref={paper}>
            <Dialog.Header>
              <Dialog.Title>{title}</Dialog.Title>
              <Press look="quiet" onClick={close}>
                Close
              </Press>
            </Dialog.Header>
            {children}
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  )
}
