import { Text } from '@chakra-ui/react'
import { Page } from './Page'
import { Press } from './Press'

/** A page whose facts could not be loaded: what happened, what stays safe, and the next step. */
export function Failed({ again, detail }: { again: () => unknown; detail?: string }) {
  return (
    <Page title="This page could not be loaded">
      <Text maxW="64ch" mb="4">
        {detail ??
          'The program does not answer. Start it again with ./run; everything that was saved is still there.'}
      </Text>
      <Press look="strong" onClick={again}>
        Try again
      </Press>
    </Page>
  )
}
