import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { Press } from '../../ui/Press'

interface Props {
  backups: Schemas['BackupView'][]
  restore: (name: string) => Promise<unknown>
  /** What becomes of the book as it is now. */
  now: string
  /** What the button says. */
  take?: string
}

/** The backups, the newest first; what would be missing is said before one takes the place of the book. */
export function BackupList({ backups, ...rest }: Props) {
  return (
    <chakra.ul listStyleType="none" aria-label="Backups">
      {backups.map((backup) => (
        <Row key={backup.name} backup={backup} {...rest} />
      ))}
    </chakra.ul>
  )
}

type RowProps = Omit<Props, 'backups'> & { backup: Schemas['BackupView'] }

function Row({ backup, restore, now, take = 'Go back to this one' }: RowProps) {
  const [asked, setAsked] = useState(false)
  const put = async () => {
    await restore(backup.name)
    setAsked(false)
  }
  return (
    <chakra.li borderTop="1px solid" borderColor="line" py="3">
      <Flex gap="4" justify="space-between" align="center" wrap="wrap">
        <Box minW="0" flex="1 1 420px">
          <Text>
            <strong>{backup.when}</strong>, {backup.why}
          </Text>
          <Text color="faded" fontSize="0.92em">
            {backup.holds}
          </Text>
          <Text fontSize="0.92em">{backup.missing}</Text>
        </Box>
        {backup.readable && !asked && (
          <Press aria-label={`${take}: ${backup.when}`} onClick={() => setAsked(true)}>
            {take}
          </Press>
        )}
      </Flex>
      {asked && (
        <Box role="alert" borderLeft="4px solid" borderColor="accent" pl="4" mt="2">
          <Text>{now}</Text>
          <Flex gap="3" mt="2" wrap="wrap">
            <Press look="strong" onClick={put}>
              Put it in the place of my book
            </Press>
            <Press onClick={() => setAsked(false)}>Leave it</Press>
          </Flex>
        </Box>
      )}
    </chakra.li>
  )
}
