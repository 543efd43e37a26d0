import { chakra, Flex, Input } from '@chakra-ui/react'
import { useState } from 'react'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Form } from '../../ui/Form'
import { Field } from '../../ui/Field'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { DemoWord } from '../../ui/DemoWord'
import { useRemoval } from '../../ui/removal'
import { BookFields, ReadinessField, TempoFields, What } from './MaterialFields'
import { ByWeek } from './DateFields'
import type { Wish } from './wish'

const names = { Exercise: 'exercise', Piece: 'piece', Passage: 'passage', Book: 'reading book' }

interface Props {
  id: number | null
  start: Wish
  pieces: Schemas['MaterialView'][]
  close: () => void
  /** Opens an empty form of the same kind for the next one. */
  again: (wish: Wish) => void
}

export function MaterialForm({ id, start, pieces, close, again }: Props) {
  const [wish, setWish] = useState(start)
  const { problem, run } = useProblem()
  const removal = useRemoval()
  const changed = useSaved()
  const profile = api.useQuery('get', '/api/profile')
  const week = (profile.data?.weekdayMinutes ?? []).reduce((sum, minutes) => sum + minutes, 0)
  const set = (change: Partial<Wish>) => setWish({ ...wish, ...change })
  const save = async (more: boolean) => {
    const saved = await run(() =>
      id === null
        ? ask(client.POST('/api/materials', { body: wish }))
        : ask(client.PUT('/api/materials/{id}', { params: { path: { id } }, body: wish })),
    )
    if (!saved) return
    await changed()
    if (more) {
      again({ ...start, pieceId: wish.pieceId, title: '', note: '' })
      setWish({ ...start, pieceId: wish.pieceId })
    } else close()
  }
  const remove = async (gone: number) => {
    const done = await run(async () => {
      const params = { path: { id: gone } }
      return removal(
        wish.title || names[wish.kind],
        () => ask(client.DELETE('/api/materials/{id}', { params })),
        () => ask(client.POST('/api/materials/{id}/back', { params })),
      )
    })
    if (done) close()
  }
  return (
    <Form
      border="1.5px solid"
      borderColor="ink"
      borderRadius="10px"
      p="5"
      mb="5"
      bg="sheet"
      submit={() => save(false)}
      problem={problem}
    >
      <chakra.h2 fontSize="subheading" mb="3">
        {id === null ? `New ${names[wish.kind]}` : `Change this ${names[wish.kind]}`}
      </chakra.h2>
      <Flex gap="4" wrap="wrap" align="start">
        <What wish={wish} set={set} pieces={pieces} fixed={id !== null} />
        {wish.kind === 'Book' ? <BookFields wish={wish} set={set} /> : <TempoFields wish={wish} set={set} />}
        {wish.kind !== 'Book' && <ByWeek wish={wish} set={set} week={week} />}
        {(wish.kind === 'Piece' || wish.kind === 'Passage') && <ReadinessField wish={wish} set={set} />}
        <Field
          label={wish.kind === 'Passage' ? 'Note for the stage: fingering, breath, why' : 'Note'}
          name="note"
          width="340px"
        >
          <Input value={wish.note} onChange={(event) => set({ note: event.target.value })} />
        </Field>
      </Flex>
      <Refusal />
      <DemoWord />
      <Flex gap="3" mt="4" wrap="wrap">
        <Press look="strong" type="submit">
          Keep
        </Press>
        {id === null && (
          <Press type="button" onClick={() => save(true)}>
            Keep, and one more
          </Press>
        )}
        <Press type="button" look="quiet" onClick={close}>
          Leave
        </Press>
        {id !== null && (
          <Press type="button" look="quiet" color="wrong" onClick={() => remove(id)}>
            Remove
          </Press>
        )}
      </Flex>
    </Form>
  )
}
