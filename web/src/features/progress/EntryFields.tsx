import { Box, Flex, Grid, Input, Textarea } from '@chakra-ui/react'
import { useId, useState } from 'react'
import { api, type Schemas } from '../../api/client'
import { Field } from '../../ui/Field'
import { Phrases, withPhrase } from '../../ui/Phrases'
import { Press } from '../../ui/Press'

/** The words of an entry while they are written. */
export interface Words {
  text: string
  cause: string
  remedy: string
  nextTime: string
  tags: string
}

export const noWords: Words = { text: '', cause: '', remedy: '', nextTime: '', tags: '' }

export const wordsOf = (entry: Schemas['EntryView'] | Schemas['EntryBeforeView']): Words => ({
  text: entry.text,
  cause: entry.cause,
  remedy: entry.remedy,
  nextTime: entry.nextTime,
  tags: entry.tags.join(', '),
})

/** As they are sent. */
export const sent = ({ tags, ...words }: Words) => ({ ...words, tags: tags.split(',') })

export const isEmpty = ({ text, cause, remedy, nextTime }: Words) =>
  !(text + cause + remedy + nextTime).trim()

interface Props {
  label: string
  words: Words
  write: (part: Partial<Words>) => void
  /** Opens with all its fields where some of them are filled already. */
  children?: React.ReactNode
}

/** What went on, and, by wish, why, what helps and what to do next time. */
export function EntryFields({ label, words, write, children }: Props) {
  const [isOpen, setOpen] = useState(Boolean(words.cause || words.remedy || words.nextTime || words.tags))
  const known = useId()
  const tags = api.useQuery('get', '/api/journal/phrases').data?.tags ?? []
  return (
    <Box>
      <Textarea
        aria-label={label}
        placeholder={label}
        minH="48px"
        value={words.text}
        onChange={(event) => write({ text: event.target.value })}
      />
      <Phrases add={(phrase) => write({ text: withPhrase(words.text, phrase) })} />
      {isOpen ? (
        <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="3" mt="2">
          <Field label="Why" name="cause">
            <Input value={words.cause} onChange={(event) => write({ cause: event.target.value })} />
          </Field>
          <Field label="What helps" name="remedy">
            <Input value={words.remedy} onChange={(event) => write({ remedy: event.target.value })} />
          </Field>
          <Field label="Next time" hint="comes back with the thing" name="nextTime">
            <Input value={words.nextTime} onChange={(event) => write({ nextTime: event.target.value })} />
          </Field>
          <Field label="Tags" hint="several with commas between" name="tags">
            <Input
              value={words.tags}
              list={known}
              onChange={(event) => write({ tags: event.target.value })}
            />
            <datalist id={known}>
              {tags.map((tag) => (
                <option key={tag} value={tag} />
              ))}
            </datalist>
          </Field>
          {children}
        </Grid>
      ) : (
        <Flex mt="1">
          <Press look="quiet" minH="34px" px="0" onClick={() => setOpen(true)}>
            why, what helps, next time, tags
          </Press>
        </Flex>
      )}
    </Box>
  )
}
