import { Box, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useChoices } from '../../api/choices'
import { api, ask, client, refusalOf, type Schemas } from '../../api/client'
import { HearIt } from '../../sound/HearIt'
import { Engraving } from '../../ui/Engraving'
import { Field } from '../../ui/Field'
import { Press } from '../../ui/Press'
import { printMusic } from '../../ui/print'
import { Refusal, useProblem } from '../../ui/refusal'
import { save } from '../../ui/save'
import { Select } from '../../ui/Select'
import { sayBars } from '../../ui/words'
import type { Range } from './BarMap'

/** The bars that are chosen, engraved; as written or in one of the altered versions, in any key. */
export function MusicPanel({ piece, range }: { piece: Schemas['PieceView']; range: Range }) {
  const [variant, setVariant] = useState('')
  const [step, setStep] = useState(0)
  const [tonic, setTonic] = useState('')
  const [staff, setStaff] = useState<number | undefined>()
  const choices = useChoices()
  const query = { from: range.from, to: range.to, variant, step, key: tonic ? `${tonic} major` : '', staff }
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
        <Field label={sayBars(range)} width="230px">
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
        {bars.data && bars.data.staves > 1 && (
          <Field label="staves" width="190px">
            <Select
              value={staff ?? (variant ? 0 : '')}
              onChange={(event) =>
                setStaff(event.target.value === '' ? undefined : Number(event.target.value))
              }
            >
              {!variant && <option value="">both</option>}
              <option value={0}>upper: right hand</option>
              <option value={bars.data.staves - 1}>lower: left hand</option>
            </Select>
          </Field>
        )}
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
        <Box bg="sheet" border="1px solid" borderColor="line" borderRadius="8px" p="3" className="sheet">
          <Engraving
            abc={bars.data.abc}
            label={`${sayBars(range)}, ${bars.data.name}`}
            staffWidth={Math.min(760, 220 + 130 * (range.to - range.from + 1))}
          />
        </Box>
      )}
      {bars.data && (
        <TakeAway
          piece={piece}
          query={query}
          heading={[piece.title, sayBars(range), variant && bars.data.name].filter(Boolean).join(', ')}
        />
      )}
    </Box>
  )
}

/** The bars as they are shown, as a file or on paper. */
function TakeAway({ piece, query, heading }: TakeAwayProps) {
  const { problem, run } = useProblem()
  const take = (format: Schemas['MusicFormat'], ending: string) =>
    run(async () => {
      const content = await ask(
        client.GET('/api/pieces/{id}/bars/file', {
          params: { path: { id: piece.id }, query: { ...query, format } },
          parseAs: 'blob',
        }),
      )
      save(content as unknown as Blob, `${piece.title} ${query.from}-${query.to}.${ending}`)
      return true
    })
  return (
    <>
      <Flex gap="2" wrap="wrap" mt="1" className="no-print" align="center">
        <Text color="faded">Take away</Text>
        <Press look="quiet" onClick={() => take('MusicXml', 'musicxml')}>
          as MusicXML
        </Press>
        <Press look="quiet" onClick={() => take('Abc', 'abc')}>
          as ABC
        </Press>
        <Press look="quiet" onClick={() => take('Midi', 'mid')}>
          as MIDI
        </Press>
        <Press look="quiet" onClick={() => printMusic(heading)}>
          on paper
        </Press>
      </Flex>
      <Refusal problem={problem} />
    </>
  )
}

interface TakeAwayProps {
  piece: Schemas['PieceView']
  query: BarsQuery
  /** What stands above the music on paper. */
  heading: string
}

interface BarsQuery {
  from: number
  to: number
  variant: string
  step: number
  key: string
  staff?: number
}
