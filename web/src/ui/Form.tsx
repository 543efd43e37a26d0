import { chakra } from '@chakra-ui/react'
import { useRef } from 'react'
import type { Problem } from '../api/client'
import { Refused } from './refusal'

type Props = Omit<React.ComponentProps<typeof chakra.form>, 'onSubmit'> & {
  submit: () => Promise<unknown>
  problem: Problem | null
}

/** A form: kept by its button or by Enter, once at a time; what was refused stands beside its field. */
export function Form({ submit, problem, children, ...rest }: Props) {
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
    >
      <Refused problem={problem}>{children}</Refused>
    </chakra.form>
  )
}
