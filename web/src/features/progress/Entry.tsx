import { Box, chakra, Flex, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { usePracticeDay } from '../../api/practiceDay'
import { Press } from '../../ui/Press'
import { Refused, Refusal, useProblem } from '../../ui/refusal'
import { useRemoval } from '../../ui/removal'
import { dayAfter, sayDay, sayTime } from '../../ui/words'
import { EntryFields, sent, wordsOf, type Words } from './EntryFields'
import { found } from './found'
import { useJournalRefresh } from './useJournalRefresh'

const kinds: Record<Schemas['EntryKind'], string> = {
  Note: 'note',
  Shelf: 'shelf',
  Drill: 'drill',
  Session: 'sitting',
  Day: 'day',
}

/** Words with what was searched for marked. */
export function Marked({ text, search }: { text: string; search: string }) {
  return found(text, search).map((part, i) =>
    part.isFound ? (
      <chakra.mark key={i} bg="chosen" color="inherit">
        {part.text}
      </chakra.mark>
    ) : (
      part.text
    ),
  )
}

interface Props {
  entry: Schemas['EntryView']
  search: string
}

/** Something written down, to be changed, carried over or removed where it stands. */
export function Entry({ entry, search }: Props) {
  const [open, setOpen] = useState<'words' | 'carry' | 'before' | null>(null)
  const toggle = (what: typeof open) => setOpen(open === what ? null : what)
  const { problem, run } = useProblem()
  const removal = useRemoval()
  const name = (entry.text || entry.nextTime || entry.cause || entry.remedy).slice(0, 40)
  const remove = async () => {
    const params = { path: { id: entry.id } }
    await run(() =>
      removal(
        name,
        () => ask(client.DELETE('/api/journal/{id}', { params })),
        () => ask(client.POST('/api/journal/{id}/back', { params })),
      ),
    )
  }
  return (
    <Box mb="3">
      <Head entry={entry} search={search} />
      {open === 'words' ? (
        <Change entry={entry} close={() => setOpen(null)} />
      ) : (
        <Flex gap="3" align="start" justify="space-between" wrap={{ base: 'wrap', md: 'nowrap' }}>
          <Box maxW="68ch" minW="0">
            {entry.text && (
              <Text whiteSpace="pre-wrap" overflowWrap="anywhere">
                <Marked text={entry.text} search={search} />
              </Text>
            )}
            <Named name="Why" text={entry.cause} search={search} />
            <Named name="What helps" text={entry.remedy} search={search} />
            <Named name="Next time" text={entry.nextTime} search={search} />
          </Box>
          <Flex flex="none" opacity={0.75} wrap="wrap" className="no-print">
            <Small name={`Change: ${name}`} press={() => toggle('words')}>
              change
            </Small>
            <Small name={`Carry over: ${name}`} press={() => toggle('carry')}>
              carry over
            </Small>
            {entry.changes > 0 && (
              <Small name={`What stood before: ${name}`} press={() => toggle('before')}>
                before
              </Small>
            )}
            <Small name={`Remove: ${name}`} press={remove}>
              remove
            </Small>
          </Flex>
        </Flex>
      )}
      {open === 'carry' && <Carry entry={entry} close={() => setOpen(null)} />}
      {open === 'before' && <Before entry={entry} />}
      <Refusal problem={problem} />
    </Box>
  )
}

function Small({ name, press, children }: { name: string; press: () => unknown; children: string }) {
  return (
    <Press look="quiet" minH="30px" aria-label={name} onClick={press}>
      {children}
    </Press>
  )
}

/** What it is about, when, with which tags, and where it is carried to. */
function Head({ entry, search }: Props) {
  const today = usePracticeDay()
  const about = <Marked text={entry.about} search={search} />
  return (
    <Text fontSize="0.85em" color="faded">
      {!entry.about && kinds[entry.kind]}
      {entry.about &&
        (entry.materialId ? <Link to={`/music/${entry.materialId}/tempo`}>{about}</Link> : about)}
      {entry.take && `, take ${entry.take}`}
      {entry.about && entry.kind !== 'Drill' && ` · ${kinds[entry.kind]}`}
      {entry.tags.map((tag) => (
        <span key={tag}>
          {' · '}
          <Link to={`/journal?tag=${encodeURIComponent(tag)}`}>
            <Marked text={tag} search={search} />
          </Link>
        </span>
      ))}
      {entry.carriedTo && !entry.settled && ` · carried over to ${sayDay(entry.carriedTo, today)}`}
      {entry.settled && ' · settled'}
    </Text>
  )
}

function Named({ name, text, search }: { name: string; text: string; search: string }) {
  return text ? (
    <Text overflowWrap="anywhere">
      <chakra.span color="faded">{name}: </chakra.span>
      <Marked text={text} search={search} />
    </Text>
  ) : null
}

function useChange(entry: Schemas['EntryView']) {
  const { problem, run } = useProblem()
  const refresh = useJournalRefresh()
  const change = async (words: Words) => {
    const params = { path: { id: entry.id } }
    if (!(await run(() => ask(client.PUT('/api/journal/{id}', { params, body: sent(words) }))))) return false
    await refresh()
    return true
  }
  return { problem, change }
}

function Change({ entry, close }: { entry: Schemas['EntryView']; close: () => void }) {
  const [words, setWords] = useState(() => wordsOf(entry))
  const { problem, change } = useChange(entry)
  return (
    <Refused problem={problem}>
      <EntryFields label="Entry" words={words} write={(part) => setWords({ ...words, ...part })} />
      <Refusal />
      <Flex gap="3" mt="2">
        <Press look="strong" onClick={async () => (await change(words)) && close()}>
          Keep
        </Press>
        <Press onClick={close}>Leave as it was</Press>
      </Flex>
    </Refused>
  )
}

function Carry({ entry, close }: { entry: Schemas['EntryView']; close: () => void }) {
  const today = usePracticeDay()
  const [day, setDay] = useState(entry.carriedTo ?? dayAfter(today))
  const { problem, run } = useProblem()
  const refresh = useJournalRefresh()
  const carry = async (to: string | null) => {
    const params = { path: { id: entry.id } }
    if (!(await run(() => ask(client.PUT('/api/journal/{id}/carried', { params, body: { day: to } })))))
      return
    await refresh()
    close()
  }
  return (
    <Flex gap="3" mt="1" align="center" wrap="wrap">
      <Input
        type="date"
        aria-label="Day to carry it over to"
        width="170px"
        min={today}
        value={day}
        onChange={(event) => setDay(event.target.value)}
      />
      <Press onClick={() => carry(day)} disabled={!day}>
        Carry it over
      </Press>
      {entry.carriedTo && (
        <Press look="quiet" onClick={() => carry(null)}>
          to no day
        </Press>
      )}
      <Refusal problem={problem} />
    </Flex>
  )
}

/** What an entry said before; one press puts it back. */
function Before({ entry }: { entry: Schemas['EntryView'] }) {
  const params = { path: { id: entry.id } }
  const before = api.useQuery('get', '/api/journal/{id}/before', { params }).data ?? []
  const { problem, change } = useChange(entry)
  return (
    <Box borderLeft="3px solid" borderColor="line" pl="4" mt="1">
      {before.map((one) => (
        <Flex key={one.changedUtc} gap="3" justify="space-between" align="baseline" wrap="wrap">
          <Text maxW="60ch" overflowWrap="anywhere">
            <chakra.span color="faded">
              until {sayDay(one.changedUtc.slice(0, 10))}, {sayTime(one.changedUtc)}:{' '}
            </chakra.span>
            {[one.text, one.cause, one.remedy, one.nextTime, one.tags.join(', ')].filter(Boolean).join(' · ')}
          </Text>
          <Press look="quiet" minH="30px" onClick={() => change(wordsOf(one))}>
            put back
          </Press>
        </Flex>
      ))}
      <Refusal problem={problem} />
    </Box>
  )
}
