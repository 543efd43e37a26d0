import { Field as ChakraField } from '@chakra-ui/react'
import { useRefused, type FieldName } from './refusal'

interface Props extends Omit<React.ComponentProps<typeof ChakraField.Root>, 'children'> {
  label: string
  hint?: string
  /** Under which name the server speaks of it; what it refuses then stands here. */
  name?: FieldName
  children: React.ReactNode
}

/** A label, what is filled in, a hint, and what was refused: tied together for ears as for eyes. */
export function Field({ label, hint, name, children, ...rest }: Props) {
  const told = useRefused(name)
  return (
    <ChakraField.Root invalid={told !== null} {...rest}>
      <ChakraField.Label>{label}</ChakraField.Label>
      {children}
      {hint && <ChakraField.HelperText>{hint}</ChakraField.HelperText>}
      <ChakraField.ErrorText role="alert">{told}</ChakraField.ErrorText>
    </ChakraField.Root>
  )
}
