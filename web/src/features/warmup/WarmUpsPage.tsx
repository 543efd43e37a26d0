import { Box, chakra, Flex, Grid, Text, Textarea } from '@chakra-ui/react'
import { useState } from 'react'
import { useChoices } from '../../api/choices'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Outline } from '../../ui/Outline'
import { Field } from '../../ui/Field'
import { NumberInput } from '../../ui/NumberInput'
import { Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Tick } from '../../ui/Tick'
import { Refusal, useProblem } from '../../ui/refusal'
import { Pick } from '../../ui/Pick'
import { useRemoval } from '../../ui/removal'
import { sayDay } from '../../ui/words'
import { TriedDay, type Tried } from './TriedDay'
import { WarmUpEditor } from './WarmUpEditor'
import { WarmUpPicture } from './WarmUpPicture'
import { inOrder } from './elements'

type Version = Schemas['WarmUpView']

const fresh: Version = {
  id: 0,
  name: '',
  parts: [
    {
      element: 'Sound',
      title: 'Long tones',
      how: 'One at a time, ears on the sound.',
      minutes: 2,
      core: true,
      fromRepertoire: false,
    },
    {
      element: 'Scales',
      title: 'One slow scale',
      how: 'Over a drone.',
      minutes: 2,
      core: true,
      fromRepertoire: false,
    },
  ],
  lastDay: null,
  next: false,
  minutes: 4,
  coreMinutes: 4,
  version: 0,
}

/** Versions of the warm-up that take turns, each shown as it would be cut on a day of one's choice. */
export function WarmUpsPage() {
  const all = api.useQuery('get', '/api/warm-ups')
  const [tried, setTried] = useState<Tried>({ sittingMinutes: 30, demands: [] })
  const [editing, setEditing] = useState<Version | null>(null)
  if (!all.data) return <Outline />
  if (editing)
    return <WarmUpEditor start={editing} tried={tried} setTried={setTried} close={() => setEditing(null)} />
  return (
    <Page title="Warm-up" aside={<TriedDay tried={tried} set={setTried} />}>
      <Grid templateColumns={{ base: '1fr', xl: 'repeat(2, minmax(0, 1fr))' }} columnGap="10" rowGap="8">
        {[...all.data.versions]
          .sort((a, b) => Number(b.next) - Number(a.next))
          .map((version) => (
            <Card key={version.id} version={version} tried={tried} edit={() => setEditing(version)} />
          ))}
        <Box borderTop="2px solid" borderColor="ink" pt="3">
          <Opening key={all.data.school + all.data.awareness + all.data.minutes} view={all.data} />
          <Press mt="6" onClick={() => setEditing(fresh)}>
            New version
          </Press>
        </Box>
      </Grid>
    </Page>
  )
}

function Card({ version, tried, edit }: { version: Version; tried: Tried; edit: () => void }) {
  const { problem, run } = useProblem()
  const removal = useRemoval()
  const cut = api.useQuery(
    'post',
    '/api/warm-ups/cut',
    { body: { parts: version.parts, ...tried } },
    { placeholderData: (before: Schemas['CutView'] | undefined) => before },
  )
  const remove = async () => {
    const params = { path: { id: version.id } }
    await run(() =>
      removal(
        version.name,
        () => ask(client.DELETE('/api/warm-ups/{id}', { params })),
        () => ask(client.POST('/api/warm-ups/{id}/back', { params })),
      ),
    )
  }
  const played = new Set(cut.data?.stretches.flatMap((stretch) => stretch.places))
  return (
    <Box as="section" borderTop="2px solid" borderColor="ink" pt="3" aria-label={version.name}>
      <Flex justify="space-between" align="baseline" gap="3" wrap="wrap">
        <chakra.h2 fontSize="heading">{version.name}</chakra.h2>
        <Text color={version.next ? 'accent' : 'faded'} fontWeight={version.next ? 600 : 400}>
          {version.next
            ? 'next in turn'
            : version.lastDay
              ? `last ${sayDay(version.lastDay)}`
              : 'not played yet'}
        </Text>
      </Flex>
      {cut.data && (
        <>
          <Text color="faded" mb="1" data-testid="cut">
            {cut.data.short}
          </Text>
          <WarmUpPicture parts={version.parts} cut={cut.data} />
        </>
      )}
      <chakra.ol mt="2" css={{ '& li': { display: 'flex', gap: '10px' } }}>
        {inOrder(version.parts).map(({ part, place }) => (
          <chakra.li key={place} color={played.has(place) ? undefined : 'faded'}>
            <Text as="span" aria-hidden width="18px" flex="none">
              {part.core ? '●' : '○'}
            </Text>
            <Text as="span" textDecoration={played.has(place) ? undefined : 'line-through'}>
              <b>{part.title}</b>
              {part.fromRepertoire && ', or a passage you know'}
              {!part.core && <chakra.span color="faded"> (extra)</chakra.span>}
            </Text>
          </chakra.li>
        ))}
      </chakra.ol>
      <Flex mt="1" align="center">
        <Text color="faded" fontSize="0.88em" flex="1">
          whole {version.minutes} min, core {version.coreMinutes}
        </Text>
        <Press look="quiet" aria-label={`Change ${version.name}`} onClick={edit}>
          change
        </Press>
        <Press look="quiet" aria-label={`Remove ${version.name}`} onClick={() => remove()}>
          remove
        </Press>
      </Flex>
      <Refusal problem={problem} />
    </Box>
  )
}

/** The school of beginning, the words of the opening and its minutes. */
function Opening({ view }: { view: Schemas['WarmUpsView'] }) {
  const { warmUpSchools } = useChoices()
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [words, setWords] = useState(view.awareness || view.usualAwareness)
  const set = async (part: Partial<Schemas['OpeningWish']>) => {
    const own = words === view.usualAwareness ? '' : words
    const body = { school: view.school, awareness: own, minutes: view.minutes, ...part }
    if (await run(() => ask(client.PUT('/api/warm-ups/opening', { body })))) await saved()
  }
  return (
    <>
      <Field label="Every first sitting of a day begins with" width="100%">
        <Pick
          value={view.school}
          options={warmUpSchools}
          pick={(school) => void set({ school, awareness: '' })}
        />
      </Field>
      <Field label="in these words" width="100%">
        <Textarea
          rows={view.school === 'Awareness' ? 4 : 2}
          value={words}
          onChange={(event) => setWords(event.target.value)}
          onBlur={() => words !== (view.awareness || view.usualAwareness) && void set({})}
        />
      </Field>
      {view.minutes > 0 && (
        <Field
          label="for so many minutes"
          hint="in a sitting under 20 minutes it stands in place of the sound exercises; where its minutes have no room it is left out whole"
        >
          <NumberInput
            label="Minutes of the opening"
            value={view.minutes}
            min={1}
            max={15}
            width="80px"
            onChange={(minutes) => void set({ minutes })}
          />
        </Field>
      )}
      <Tick
        mt="2"
        label="begin with this opening"
        on={view.minutes > 0}
        set={(on) => void set({ minutes: on ? 1 : 0 })}
      />
      <Text color="faded" mt="3">
        Versions take turns, the one that has waited longest comes next. ● is the core and always touched; ○
        is extra and goes first. A warm-up shows what needs work today: on the stage, N writes it down.
      </Text>
      <Refusal problem={problem} />
    </>
  )
}
