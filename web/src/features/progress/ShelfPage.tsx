import { Box, Flex, Input, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { usePracticeDay } from '../../api/practiceDay'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Field } from '../../ui/Field'
import { Form } from '../../ui/Form'
import { NumberInput } from '../../ui/NumberInput'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { useProblem } from '../../ui/refusal'
import { offer } from '../../ui/removal'
import { sayDay } from '../../ui/words'
import { useDesk } from '../practice/useDesk'

type Idea = Schemas['ShelfIdea']
type Fate = NonNullable<Schemas['ShelfFate']>

/** What was heard or thought of and put aside: each idea becomes something, or goes. */
export function ShelfPage() {
  const shelf = api.useQuery('get', '/api/shelf')
  const leave = useDesk('Shelf', null, { name: 'Today', to: '/' })
  if (!shelf.data) return <Outline />
  const { waiting, play, listen } = shelf.data
  return (
    <Page title="Shelf">
      <Text color="faded" maxW="70ch" mb="4">
        {waiting.length > 0
          ? 'Oldest first. Three of them in five minutes are enough: each becomes something, or it goes.'
          : 'L on the stage puts an idea here without stopping: a tune you heard, a lick, a question.'}
      </Text>
      <NewIdea />
      {waiting.length === 0 && <Empty>Nothing waits.</Empty>}
      <chakra.ol listStyleType="none" aria-label="Ideas that wait">
        {waiting.map((idea) => (
          <Waiting key={idea.id} idea={idea} />
        ))}
      </chakra.ol>
      {leave.fromStage && (
        <Press mt="4" look="strong" onClick={() => void leave.go(true)}>
          Done, back to the stage
        </Press>
      )}
      <Kept title="For play" word="They take turns with the other ideas of the day." ideas={play} />
      <Kept title="To listen to" word="" ideas={listen} />
    </Page>
  )
}

/** Decides about an idea; what is no material can be taken back. */
function useDecide() {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const put = (id: number, body: { became: Fate | null; title?: string; bars?: number }) =>
    ask(client.PUT('/api/shelf/{id}', { params: { path: { id } }, body: { bars: 32, ...body } }))
  const decide = async (
    idea: Idea,
    before: Fate | null,
    became: Fate,
    as?: { title: string; bars: number },
  ) => {
    const made = await run(() => put(idea.id, { became, ...as }))
    if (!made) return
    await saved()
    if (made.materialId === null || made.materialId === undefined)
      offer({
        what: `${said[became]}: ${idea.text.length > 50 ? `${idea.text.slice(0, 47)} …` : idea.text}`,
        back: () => put(idea.id, { became: before }),
      })
  }
  return { problem, decide }
}

const said: Record<Fate, string> = {
  Piece: 'Now a piece',
  Exercise: 'Now an exercise',
  Play: 'For play',
  Listen: 'To listen to',
  Dropped: 'Dropped',
}

function Waiting({ idea }: { idea: Idea }) {
  const today = usePracticeDay()
  const { problem, decide } = useDecide()
  const [as, setAs] = useState<'Piece' | 'Exercise' | null>(null)
  const [title, setTitle] = useState(idea.text.split('\n')[0]!.slice(0, 80))
  const [bars, setBars] = useState(32)
  return (
    <chakra.li borderTop="1px solid" borderColor="line" py="3">
      <Text fontSize="1.1em">{idea.text}</Text>
      <Text color="faded" fontSize="0.9em">
        {sayDay(idea.day, today)}
        {idea.about && `, during ${idea.about}`}
      </Text>
      {as ? (
        <Form
          problem={problem}
          submit={() => decide(idea, null, as, { title, bars })}
          display="flex"
          gap="3"
          alignItems="end"
          flexWrap="wrap"
          mt="2"
        >
          <Field label="title" name="title" maxW="360px">
            <Input value={title} onChange={(event) => setTitle(event.target.value)} />
          </Field>
          {as === 'Piece' && (
            <Field label="bars" name="toBar" maxW="110px">
              <NumberInput value={bars} min={1} max={10000} onChange={setBars} />
            </Field>
          )}
          <Press look="strong" type="submit">
            {as === 'Piece' ? 'Enter the piece' : 'Enter the exercise'}
          </Press>
          <Press look="quiet" onClick={() => setAs(null)}>
            Not yet
          </Press>
        </Form>
      ) : (
        <Flex gap="2" mt="2" wrap="wrap">
          <Press onClick={() => setAs('Piece')}>A piece</Press>
          <Press onClick={() => setAs('Exercise')}>An exercise</Press>
          <Press onClick={() => decide(idea, null, 'Play')}>An idea for play</Press>
          <Press onClick={() => decide(idea, null, 'Listen')}>To listen to</Press>
          <Press look="quiet" aria-label={`Drop: ${idea.text}`} onClick={() => decide(idea, null, 'Dropped')}>
            Drop
          </Press>
        </Flex>
      )}
    </chakra.li>
  )
}

function Kept({ title, word, ideas }: { title: string; word: string; ideas: Idea[] }) {
  const { decide } = useDecide()
  if (ideas.length === 0) return null
  return (
    <Box as="section" mt="8" aria-label={title}>
      <chakra.h2 fontSize="subheading">{title}</chakra.h2>
      {word && <Text color="faded">{word}</Text>}
      <chakra.ul listStyleType="none">
        {ideas.map((idea) => (
          <Flex
            as="li"
            key={idea.id}
            gap="3"
            align="center"
            borderTop="1px solid"
            borderColor="line"
            minH="44px"
          >
            <Text flex="1">{idea.text}</Text>
            <Press
              look="quiet"
              aria-label={`Drop: ${idea.text}`}
              onClick={() => decide(idea, title === 'For play' ? 'Play' : 'Listen', 'Dropped')}
            >
              Drop
            </Press>
          </Flex>
        ))}
      </chakra.ul>
    </Box>
  )
}

function NewIdea() {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [text, setText] = useState('')
  const [key, setKey] = useState(() => crypto.randomUUID())
  const keep = async () => {
    const body = { key, text, kind: 'Shelf' as const }
    if (!(await run(() => ask(client.POST('/api/journal', { body }))))) return
    setText('')
    setKey(crypto.randomUUID())
    await saved()
  }
  return (
    <Form problem={problem} submit={keep} display="flex" gap="3" alignItems="end" mb="6" maxW="720px">
      <Field label="a new idea" name="text" flex="1">
        <Input value={text} onChange={(event) => setText(event.target.value)} />
      </Field>
      <Press type="submit" disabled={!text.trim()}>
        Put it there
      </Press>
    </Form>
  )
}
