import { Box, chakra } from '@chakra-ui/react'

interface Props {
  /** What is looked at, for those who do not see it. */
  label: string
  file: File
  children: React.ReactNode
}

/** A file that was chosen and is looked at before anything of it is kept. */
export function FileLook({ label, file, children }: Props) {
  return (
    <Box as="section" aria-label={label} borderLeft="4px solid" borderColor="accent" pl="4" mt="3" mb="4">
      <chakra.h3 fontSize="subheading" fontWeight={700} overflowWrap="anywhere" mb="1">
        {file.name}
      </chakra.h3>
      {children}
    </Box>
  )
}
