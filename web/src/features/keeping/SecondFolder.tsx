import { Box, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { ask, client, type Schemas } from '../../api/client'
import { Field } from '../../ui/Field'
import { Fold } from '../../ui/Fold'
import { Form } from '../../ui/Form'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { BackupList } from './BackupList'

interface Props {
  second: Schemas['SecondView']
  changed: () => Promise<unknown>
  restore: (name: string) => Promise<unknown>
  /** What becomes of the book as it is now. */
  now: string
  /** Whether the backups that lie there are what one came for. */
  isOpen?: boolean
}

/** A folder on another disk into which each backup is copied as well; also one that another machine has written. */
export function SecondFolder({ second, changed, restore, now, isOpen = false }: Props) {
  const [folder, setFolder] = useState(second.folder)
  const [open, setOpen] = useState(isOpen)
  const { problem, run } = useProblem()
  const choose = async (chosen: string) => {
    if (await run(() => ask(client.PUT('/api/backups/second', { body: { folder: chosen } })))) await changed()
  }
  const none = async () => {
    await choose('')
    setFolder('')
  }
  const count = second.backups.length
  return (
    <Box>
      <Form
        problem={problem}
        submit={() => choose(folder)}
        display="flex"
        gap="3"
        flexWrap="wrap"
        alignItems="flex-start"
      >
        <Field
          label="Folder on another disk"
          name="folder"
          hint="like: /media/stick"
          width="min(420px, 100%)"
        >
          <Input value={folder} onChange={(event) => setFolder(event.target.value)} />
        </Field>
        <Press type="submit" mt="6">
          Use it
        </Press>
        {second.folder && (
          <Press look="quiet" mt="6" onClick={none}>
            No folder
          </Press>
        )}
        <Refusal />
      </Form>
      {second.folder && (
        <Text mt="2" role="status" color={second.isOld ? 'wrong' : undefined}>
          {second.words}
        </Text>
      )}
      {count > 0 && (
        <Fold open={open} toggle={() => setOpen(!open)}>
          {count} {count === 1 ? 'backup lies' : 'backups lie'} there
        </Fold>
      )}
      {open && (
        <BackupList
          backups={second.backups}
          restore={restore}
          now={now}
          take={isOpen ? 'Take this one' : undefined}
        />
      )}
    </Box>
  )
}
