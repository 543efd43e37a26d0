import { Box, Flex, Input, Text, Textarea } from '@chakra-ui/react'
import { useState } from 'react'
import { ask, client, type Schemas } from '../../api/client'
import { DemoWord } from '../../ui/DemoWord'
import { Engraving } from '../../ui/Engraving'
import { Field } from '../../ui/Field'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Sheet } from '../../ui/Sheet'
import { useDraft } from '../../ui/useDraft'
import { usePause } from '../../ui/usePause'

/** What was made up is written over what it came from, and kept; it comes back in play. */
export function MadeSheet({
  seed,
  close,
  back = 'Back to the drill',
}: {
  seed: Schemas['SeedView']
  close: () => void
  back?: string
}) {
  const { isGroove, threeLines, materialId: sourceId } = seed
  const { draft, write, clear, forget } = useDraft(`made:${seed.title}`, {
    title: seed.title,
    text: seed.text,
    over: '',
    key: '',
  })
  const { title, text, over } = draft
  const [kept, setKept] = useState('')
  const { problem, run } = useProblem()
  const abc = usePause(text, 400)
  const keep = async () => {
    // Pressed twice, or again after a failure, it is kept once.
    const key = draft.key || crypto.randomUUID()
    write({ key })
    const body = { key, title, text, isGroove, sourceId, over }
    const made = await run(() => ask(client.POST('/api/made', { body })))
    if (!made) return
    forget()
    setKept(made.title)
  }
  return (
    <Sheet title="Keep what was made" close={close}>
      {kept ? (
        <>
          <Text role="status">{kept} is kept. It comes back in play, and stands among the exercises.</Text>
          <Press mt="3" look="strong" onClick={close}>
            {back}
          </Press>
        </>
      ) : (
        <>
          <Text color="faded" mb="2">
            Write over it what you played.
          </Text>
          {threeLines !== '' && text !== threeLines && (
            <Press look="quiet" mb="2" onClick={() => write({ text: threeLines })}>
              Three lines of it, to be changed
            </Press>
          )}
          <Field label="Title" name="title">
            <Input value={title} onChange={(event) => write({ title: event.target.value })} />
          </Field>
          <Field label={isGroove ? 'Strokes' : 'Notes in ABC'} name="text" mt="3">
            <Textarea
              data-first
              fontFamily="ui-monospace, monospace"
              rows={6}
              value={text}
              onChange={(event) => write({ text: event.target.value })}
            />
          </Field>
          {!isGroove && (
            <>
              <Box mt="2">
                <Engraving abc={abc} label="What was made, engraved" wrap />
              </Box>
              <Field
                label="Use it over (chords or keys)"
                name="over"
                mt="3"
                hint="it comes back with them in play: Dm7 G7 C"
              >
                <Input value={over} onChange={(event) => write({ over: event.target.value })} />
              </Field>
            </>
          )}
          <Refusal problem={problem} />
          <DemoWord />
          <Flex mt="3" gap="3">
            <Press look="strong" onClick={() => keep()}>
              Keep it
            </Press>
            <Press
              onClick={() => {
                clear()
                close()
              }}
            >
              Throw it away
            </Press>
          </Flex>
        </>
      )}
    </Sheet>
  )
}
