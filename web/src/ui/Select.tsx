import { NativeSelect } from '@chakra-ui/react'

interface Props extends React.ComponentProps<typeof NativeSelect.Field> {
  width?: React.ComponentProps<typeof NativeSelect.Root>['width']
}

/** One of a list; the machine's own list opens, so that fingers and keys know it. */
export function Select({ width, disabled, ...rest }: Props & { disabled?: boolean }) {
  return (
    <NativeSelect.Root width={width} disabled={disabled}>
      <NativeSelect.Field {...rest} />
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  )
}
