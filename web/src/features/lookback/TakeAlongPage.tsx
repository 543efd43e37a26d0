import { Box, Flex, Grid, Text, Textarea, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { api, type Schemas } from '../../api/client'
import { usePracticeDay } from '../../api/practiceDay'
import { Field } from '../../ui/Field'
import { Outline } from '../../ui/Outline'
import { Page } from '../../ui/Page'
import { Pick } from '../../ui/Pick'
import { Press } from '../../ui/Press'
import { useDraft } from '../../ui/useDraft'
import { dayAfter, sayDay } from '../../ui/words'

const lengths = [
  { id: '7', name: 'seven days' },
  { id: '28', name: 'four weeks' },
]

/** Lines of each part. */
const most = 4

/** One page for a lesson or the section: what moved, what is stuck, three questions, dates. */
export function TakeAlongPage() {
  const today = usePracticeDay()
  const [length, setLength] = useState('7')
  const query = { from: dayAfter(today, 1 - Number(length)), to: today }
  const look = api.useQuery('get', '/api/look-back', { params: { query } }).data
  const closer = api.useQuery('get', '/api/look-back/closer', { params: { query } }).data
  if (!look || !closer) return <Outline />
  const up = look.moved.filter((one) => one.gain >= 3).slice(0, most)
  return (
    <Page
      title={`To take along, ${sayDay(today)}`}
      aside={
        <Flex gap="4" align="end" className="no-print">
          <Field label="over" width="150px">
            <Pick value={length} options={lengths} pick={setLength} />
          </Field>
          <Press look="strong" onClick={() => window.print()}>
            Print it
          </Press>
        </Flex>
      }
    >
      <Box maxW="760px">
        <Text>{look.daysWords}</Text>
        <Lines
          title="What moved"
          none="Nothing moved by more than can be told."
          lines={up.map((one) => `${one.title}: ${one.tempi}`)}
        />
        <Lines
          title="What is stuck"
          none="Nothing is stuck."
          lines={[
            ...look.stuck.map((one) => `${one.title}: ${one.words}`),
            ...look.slipped.map((one) => `${one.title}: slipped, ${one.words}`),
          ].slice(0, most)}
        />
        <Questions look={look} />
        <Lines title="Dates" none="No date is set." lines={closer.dates} />
      </Box>
    </Page>
  )
}

function Lines({ title, lines, none }: { title: string; lines: string[]; none: string }) {
  return (
    <Box as="section" aria-label={title} mt="5">
      <chakra.h2 fontSize="subheading" borderBottom="2px solid" borderColor="ink" pb="1" mb="1">
        {title}
      </chakra.h2>
      {lines.length === 0 && <Text color="faded">{none}</Text>}
      {lines.map((line) => (
        <Text key={line} py="0.5">
          {line}
        </Text>
      ))}
    </Box>
  )
}

/** Three questions, begun from what is stuck; kept while they are written. */
function Questions({ look }: { look: Schemas['LookBackView'] }) {
  const begun = look.stuck.slice(0, 3).map((one) => `${one.title} stays ${one.words}: what would you change?`)
  const { draft, write } = useDraft<{ texts: string[] | null }>('take-along', { texts: null })
  const texts = draft.texts ?? [...begun, '', '', ''].slice(0, 3)
  return (
    <Box as="section" aria-label="Three questions" mt="5">
      <chakra.h2 fontSize="subheading" borderBottom="2px solid" borderColor="ink" pb="1" mb="2">
        Three questions
      </chakra.h2>
      {texts.map((text, i) => (
        <Grid key={i} templateColumns="20px minmax(0,1fr)" gap="2" mb="2">
          <Text fontWeight={700}>{i + 1}</Text>
          <Textarea
            rows={2}
            aria-label={`Question ${i + 1}`}
            value={text}
            onChange={(event) =>
              write({ texts: texts.map((old, at) => (at === i ? event.target.value : old)) })
            }
          />
        </Grid>
      ))}
    </Box>
  )
}
