import { Box, Flex, Text, Textarea } from '@chakra-ui/react'
import { useState } from 'react'
import { useChoices } from '../../api/choices'
import { api, ask, client, refusalOf, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { HearIt } from '../../sound/HearIt'
import { Engraving } from '../../ui/Engraving'
import { FileChoice } from '../../ui/FileChoice'
import { Field } from '../../ui/Field'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Select } from '../../ui/Select'
import { useRemoval } from '../../ui/removal'
import type { Range } from './BarMap'

/** The bars that are chosen, engraved; as written or in one of the altered versions, in any key. */
export function MusicPanel({ piece, range }: { piece: Schemas['PieceView']; range: Range }) {
  const [variant, setVariant] = useState('')
  const [step, setStep] = useState(0)
  const [tonic, setTonic] = useState('')
  const choices = useChoices()
  const query = { from: range.from, to: range.to, variant, step, key: tonic ? `${tonic} major` : '' }
  const bars = api.useQuery(
    'get',
    '/api/pieces/{id}/bars',
    { params: { path: { id: piece.id }, query } },
    { retry: false, placeholderData: (before: Schemas['BarsView'] | undefined) => before },
  )
  const refused = refusalOf(bars.error) ?? bars.data?.reason
  return (
    <Box as="section" aria-label="Music" mt="5">
      <Flex gap="3" wrap="wrap" align="end" mb="3">
        <Field label={`bars ${range.from}${range.to === range.from ? '' : `–${range.to}`}`} width="230px">
          <Select
            aria-label="Version"
            value={variant}
            onChange={(event) => {
              setVariant(event.target.value)
              setStep(0)
            }}
          >
            <option value="">as written</option>
            {choices.variants.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        </Field>
        <Field label="key" width="120px">
          <Select value={tonic} onChange={(event) => setTonic(event.target.value)}>
            <option value="">as it is</option>
            {choices.tonics.map((one) => (
              <option key={one} value={one}>
                on {one.replace('b', '♭')}
              </option>
            ))}
          </Select>
        </Field>
        {bars.data && bars.data.steps > 1 && (
          <Flex gap="1" align="center">
            <Press aria-label="Step before" disabled={step === 0} onClick={() => setStep(step - 1)}>
              ‹
            </Press>
            <Text minW="110px" textAlign="center" aria-live="polite">
              step {step + 1} of {bars.data.steps}
            </Text>
            <Press
              aria-label="Next step"
              disabled={step + 1 >= bars.data.steps}
              onClick={() => setStep(step + 1)}
            >
              ›
            </Press>
          </Flex>
        )}
        <HearIt notes={bars.data?.played} tempo={piece.slowTempo} name={`Hear it at ${piece.slowTempo}`} />
      </Flex>
      {refused && (
        <Text role="alert" color="wrong" fontWeight={600} mb="2">
          {refused}
        </Text>
      )}
      {bars.data && (
        <Box bg="sheet" border="1px solid" borderColor="line" borderRadius="8px" p="3">
          <Engraving
            abc={bars.data.abc}
            label={`Bars ${range.from} to ${range.to}, ${bars.data.name}`}
            staffWidth={Math.min(760, 220 + 130 * (range.to - range.from + 1))}
          />
        </Box>
      )}
    </Box>
  )
}

/** Music from a file or typed; what was not taken over is listed. */
export function MusicIn({ piece }: { piece: Schemas['PieceView'] }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const removal = useRemoval()
  const [typing, setTyping] = useState(false)
  const [abc, setAbc] = useState('')
  const path = { id: piece.id }
  const done = async (view: unknown) => {
    if (!view) return
    setTyping(false)
    await saved()
  }
  const send = async (file: File) => {
    await done(
      await run(() =>
        ask(
          client.POST('/api/pieces/{id}/music/file', {
            params: { path },
            body: file as unknown as string,
            bodySerializer: (body: unknown) => body as BodyInit,
            headers: { 'Content-Type': 'application/octet-stream' },
          }),
        ),
      ),
    )
  }
  const remove = () =>
    run(() =>
      removal(
        `the music of ${piece.title}`,
        () => ask(client.DELETE('/api/pieces/{id}/music', { params: { path } })),
        () => ask(client.POST('/api/pieces/{id}/music/back', { params: { path } })),
      ),
    )
  const type = async () =>
    done(await run(() => ask(client.PUT('/api/pieces/{id}/music', { params: { path }, body: { abc } }))))
  return (
    <Box as="section" aria-label="Where the music comes from" mt="4">
      <Flex gap="4" align="center" wrap="wrap">
        <FileChoice
          label="Music file"
          accept=".musicxml,.xml,.mxl,.abc,.mid,.midi"
          take={(file) => void send(file)}
        >
          {piece.hasMusic ? 'Another file' : 'Take the music from a file (MusicXML, ABC, MIDI)'}
        </FileChoice>
        {piece.hasMusic && (
          <Press look="quiet" onClick={remove}>
            Remove the music
          </Press>
        )}
        <Press look="quiet" onClick={() => setTyping(!typing)}>
          {typing ? 'not typed after all' : 'type it in ABC'}
        </Press>
      </Flex>
      {typing && (
        <>
          <Textarea
            aria-label="Music in ABC"
            rows={6}
            fontFamily="ui-monospace, monospace"
            spellCheck={false}
            value={abc}
            placeholder={'M:3/4\nL:1/8\nK:F\nF2 GA Bc | d6 |]'}
            onChange={(event) => setAbc(event.target.value)}
          />
          <Press mt="2" onClick={() => type()}>
            Keep the music
          </Press>
        </>
      )}
      <Refusal problem={problem} />
      {piece.leftOut.length > 0 && (
        <Text color="faded" fontSize="0.92em" mt="1">
          Not taken over: {piece.leftOut.join('; ')}.
        </Text>
      )}
    </Box>
  )
}
