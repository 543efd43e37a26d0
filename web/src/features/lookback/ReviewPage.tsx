import { Box, chakra, Flex, Text, Textarea } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Field } from '../../ui/Field'
import { NumberInput } from '../../ui/NumberInput'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Select } from '../../ui/Select'
import { weekdays } from '../../ui/words'
import { useStageKeys } from '../practice/useStageKeys'

type Review = Schemas['ReviewView']

const decisions: Record<Schemas['ReviewDecision'], string> = {
  Keep: 'keep it',
  Rest: 'let it rest',
  Drop: 'drop it',
  BringBack: 'bring it back',
}

const topics: Record<Schemas['ReviewTopic'], string> = {
  Stuck: 'Does not move',
  Exercise: 'An exercise to look at',
  Rest: 'Ready',
  BringBack: 'Has lain long',
}

/** The week's review: what moved, then one question after the other; each yes is carried out at once. */
export function ReviewPage() {
  const review = api.useQuery('get', '/api/review')
  if (!review.data) return <Outline />
  return (
    <Page title="The week’s review">
      <Guided review={review.data} />
    </Page>
  )
}

function Guided({ review }: { review: Review }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const { questions, answered, dates, goals, brought, onShelf, isWritten } = review
  const question = questions[0]
  const answer = (accept: boolean, decision?: Schemas['ReviewDecision']) => {
    if (!question) return
    const { topic, materialId } = question
    void run(async () => {
      await ask(client.POST('/api/review/answers', { body: { topic, materialId, accept, decision } }))
      await saved()
    })
  }
  // What else could become of an exercise has a figure each.
  const others = Object.fromEntries(
    (question?.others ?? []).map((one, i) => [`${i + 1}`, () => answer(true, one)]),
  )
  useStageKeys(
    { yes: () => answer(true), no: () => answer(false), pause: () => {}, letters: others },
    question !== undefined,
  )
  return (
    <Box maxW="760px">
      <Part title="What moved">
        <Text>
          {review.playedWords} {review.movedWords}{' '}
          <Link to="/journal/look-back" style={{ textDecoration: 'underline' }}>
            Look closer
          </Link>
        </Text>
      </Part>
      <Part title={question ? `To decide, ${questions.length} left` : 'To decide'}>
        {question ? (
          <Box
            border="1.5px solid"
            borderColor="ink"
            borderRadius="8px"
            bg="sheet"
            p="5"
            aria-live="polite"
            data-testid="review-question"
          >
            <Text color="faded">{topics[question.topic]}</Text>
            <chakra.h3 fontSize="heading" lineHeight={1.2}>
              {question.title}
            </chakra.h3>
            <Text mt="1">{question.why}</Text>
            <Flex gap="3" mt="4" wrap="wrap">
              <Press
                look="strong"
                minH="44px"
                whiteSpace="normal"
                textAlign="left"
                onClick={() => answer(true)}
              >
                → {question.proposal}
              </Press>
              <Press minH="44px" onClick={() => answer(false)}>
                ← {question.otherwise}
              </Press>
              {(question.others ?? []).map((one, i) => (
                <Press key={one} look="quiet" minH="44px" onClick={() => answer(true, one)}>
                  {i + 1} {decisions[one]}
                </Press>
              ))}
            </Flex>
          </Box>
        ) : (
          <Empty>
            {answered.length > 0
              ? 'All is decided. What you said yes to is in the plans from tomorrow on.'
              : 'Nothing asks for a decision this week.'}
          </Empty>
        )}
        {answered.length > 0 && (
          <chakra.ul mt="3" listStyleType="none" aria-label="Decided">
            {answered.map((line) => (
              <chakra.li key={line} py="1" borderBottom="1px solid" borderColor="line">
                {line}
              </chakra.li>
            ))}
          </chakra.ul>
        )}
      </Part>
      <Lines title="What the last changes brought" lines={brought} />
      <Lines title="Goals" lines={goals} />
      <Lines title="Dates" lines={dates} />
      <Part title="Next week">
        <Minutes usual={review.usual} />
        {onShelf > 0 && (
          <Text mt="2">
            {onShelf === 1 ? 'One idea waits' : `${onShelf} ideas wait`} on{' '}
            <Link to="/journal/shelf" style={{ textDecoration: 'underline' }}>
              the shelf
            </Link>
            .
          </Text>
        )}
      </Part>
      <Refusal problem={problem} />
      {isWritten ? (
        <Text mt="6" role="status">
          It is written in the journal.
        </Text>
      ) : (
        <Write purpose={review.purpose} />
      )}
      <Weekday weekday={review.weekday} />
    </Box>
  )
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box as="section" aria-label={title} mb="6">
      <chakra.h2 fontSize="subheading" borderBottom="2px solid" borderColor="ink" pb="1" mb="2">
        {title}
      </chakra.h2>
      {children}
    </Box>
  )
}

function Lines({ title, lines }: { title: string; lines: string[] }) {
  if (lines.length === 0) return null
  return (
    <Part title={title}>
      {lines.map((line) => (
        <Text key={line} py="1">
          {line}
        </Text>
      ))}
    </Part>
  )
}

/** Minutes of each weekday, changed where they stand. */
function Minutes({ usual }: { usual: Schemas['UsualWeek'] }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const set = (day: number, value: number) =>
    run(async () => {
      const minutes = usual.minutes.map((old, at) => (at === day ? value : old))
      await ask(client.PUT('/api/week/usual', { body: { ...usual, minutes } }))
      await saved()
    })
  return (
    <>
      <Flex gap="3" wrap="wrap">
        {weekdays.map((name, day) => (
          <Field key={name} label={name} width="76px">
            <NumberInput
              label={`Minutes on ${name}`}
              value={usual.minutes[day] ?? 0}
              min={0}
              max={240}
              onChange={(value) => void set(day, value)}
            />
          </Field>
        ))}
      </Flex>
      <Refusal problem={problem} />
    </>
  )
}

/** What next week is for, which its plans then say, and all of it into the journal. */
function Write({ purpose }: { purpose: string }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [words, setWords] = useState(purpose)
  const [key] = useState(() => crypto.randomUUID())
  const write = () =>
    run(async () => {
      await ask(client.POST('/api/review', { body: { key, words } }))
      await saved()
    })
  return (
    <>
      <Field label="What is next week for?" name="words">
        <Textarea rows={2} value={words} onChange={(event) => setWords(event.target.value)} />
      </Field>
      <Press look="strong" mt="3" minH="44px" onClick={write}>
        Write it to the journal
      </Press>
      <Refusal problem={problem} />
    </>
  )
}

function Weekday({ weekday }: { weekday: number }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const set = (to: number) =>
    run(async () => {
      await ask(client.PUT('/api/review/weekday', { body: { weekday: to } }))
      await saved()
    })
  return (
    <Box mt="8">
      <Field label="It is asked for on" width="150px">
        <Select value={weekday} onChange={(event) => void set(Number(event.target.value))}>
          {weekdays.map((name, day) => (
            <option key={name} value={day}>
              {name}
            </option>
          ))}
        </Select>
      </Field>
      <Refusal problem={problem} />
    </Box>
  )
}
