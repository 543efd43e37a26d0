import { Box, Flex, Grid, Input, Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { api, ask, client, refusalOf, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { HearIt } from '../../sound/HearIt'
import { useGroove } from '../../sound/useGroove'
import { Engraving } from '../../ui/Engraving'
import { GrooveGrid } from '../../ui/GrooveGrid'
import { Field } from '../../ui/Field'
import { Page } from '../../ui/Page'
import { Whole } from '../../ui/NumberInput'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Serves } from '../material/MaterialFields'
import { usePause } from '../../ui/usePause'
import { WorkFields } from './WorkFields'
import { kinds, type Draft } from './work'

/** Makes or changes an exercise; what it comes to, and what cannot be read, is shown at once. */
export function WorkEditor({ start, close }: { start: Draft; close: () => void }) {
  const [draft, setDraft] = useState(start)
  const { problem, run } = useProblem()
  const changed = useSaved()
  useEffect(() => {
    window.scrollTo(0, 0)
  }, [])
  const set = (part: Partial<Draft>) => setDraft({ ...draft, ...part })
  // Looked at whenever the hand pauses.
  const typed = usePause(draft)
  const look = api.useQuery(
    'post',
    '/api/technique/made/look',
    { body: { work: typed.work, sheet: typed.sheet } },
    { placeholderData: (before: Schemas['LookView'] | undefined) => before, retry: false },
  )
  const refused = refusalOf(look.error)
  const save = async () => {
    const { id, ...body } = draft
    const path = { id }
    const saved = await run(() =>
      ask(
        id === 0
          ? client.POST('/api/technique/made', { body })
          : client.PUT('/api/technique/made/{id}', { params: { path }, body }),
      ),
    )
    if (!saved) return
    await changed()
    close()
  }
  const kind = kinds.find((one) => one.id === draft.work.kind)
  return (
    <Page title={start.id === 0 ? (kind?.name ?? '') : start.title} problem={problem}>
      <Text color="faded" mb="4">
        {kind?.about}
      </Text>
      <Grid
        templateColumns={{ base: '1fr', md: 'minmax(0, 1fr) 140px' }}
        columnGap="6"
        rowGap="4"
        maxW="820px"
      >
        <Box>
          <Field label="Title" name="title">
            <Input value={draft.title} onChange={(event) => set({ title: event.target.value })} />
          </Field>
        </Box>
        <Box>
          <Whole
            label="Target tempo"
            width="100%"
            name="target"
            value={draft.target ?? null}
            set={(target) => set({ target })}
          />
          <Whole
            label="Clean today at"
            width="100%"
            name="cleanAt"
            placeholder="if you know"
            value={draft.cleanAt ?? null}
            set={(cleanAt) => set({ cleanAt })}
          />
        </Box>
      </Grid>
      <Box mt="4" maxW="820px">
        <WorkFields draft={draft} set={set} />
        <Text
          color={refused ? 'wrong' : undefined}
          fontWeight={600}
          mt="2"
          minH="1.4em"
          role={refused ? 'alert' : undefined}
          data-testid="look"
        >
          {refused ?? look.data?.says}
        </Text>
        {look.data && !refused && <Look view={look.data} tempo={draft.target ?? 80} />}
        <Box mt="4">
          <Serves chosen={draft.serves} set={(serves) => set({ serves })} />
        </Box>
      </Box>
      <Refusal />
      <Flex gap="3" mt="5">
        <Press look="strong" onClick={() => save()}>
          Keep it
        </Press>
        <Press onClick={close}>Leave it as it was</Press>
      </Flex>
    </Page>
  )
}

/** Music engraved, a groove drawn; both can be heard. */
function Look({ view, tempo }: { view: Schemas['LookView']; tempo: number }) {
  const groove = useGroove(view.groove)
  if (view.groove)
    return (
      <Box bg="sheet" border="1px solid" borderColor="line" borderRadius="8px" p="4" mt="2">
        <GrooveGrid groove={view.groove} now={groove.place} />
        <Press
          mt="2"
          aria-pressed={groove.playing}
          onClick={() => (groove.playing ? groove.stop() : void groove.start(tempo))}
        >
          {groove.playing ? 'Stop' : 'Hear it'}
        </Press>
      </Box>
    )
  if (!view.abc) return null
  return (
    <Box bg="sheet" border="1px solid" borderColor="line" borderRadius="8px" p="4" mt="2">
      <Engraving abc={view.abc} label="The music as it was understood" />
      <Flex gap="4" mt="2" align="center" wrap="wrap">
        <HearIt notes={view.played} tempo={tempo} />
        {view.leftOut.length > 0 && <Text color="faded">Left out: {view.leftOut.join(', ')}.</Text>}
      </Flex>
    </Box>
  )
}
