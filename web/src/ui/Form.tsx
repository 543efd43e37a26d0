import { chakra } from '@chakra-ui/react'
import { useRef } from 'react'

type Props = Omit<React.ComponentProps<typeof chakra.form>, 'onSubmit'> & {
  submit: () => Promise<unknown>
}

/** A form: kept by its button or by Enter, once at a time. */
export function Form({ submit, ...rest }: Props) {
  const running = useRef(false)
  const send = async () => {
    if (running.current) return
    running.current = true
    try {
      await submit()
    } finally {
      running.current = false
    }
  }
  return (
    <chakra.form
      {...rest}
      onSubmit={(event) => {
        event.preventDefault()
        void send()
      }}
    />
  )
}
