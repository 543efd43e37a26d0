import { chakra } from '@chakra-ui/react'

interface Props {
  label: string
  accept: string
  take: (file: File) => void
  children: React.ReactNode
}

/** A file from this machine; the same one can be taken again. */
export function FileChoice({ label, accept, take, children }: Props) {
  return (
    <chakra.label
      cursor="pointer"
      textDecoration="underline"
      textUnderlineOffset="3px"
      minH="42px"
      display="flex"
      alignItems="center"
      position="relative"
      _focusWithin={{ outline: '2px solid', outlineOffset: '2px' }}
    >
      {children}
      <chakra.input
        type="file"
        accept={accept}
        aria-label={label}
        position="absolute"
        width="1px"
        height="1px"
        opacity={0}
        onChange={(event) => {
          const file = event.target.files?.[0]
          event.target.value = ''
          if (file) take(file)
        }}
      />
    </chakra.label>
  )
}
