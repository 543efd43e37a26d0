import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { asBytes } from '../../api/asBytes'
import { ask, client, refusalOf, type Schemas } from '../../api/client'
import { HearIt } from '../../sound/HearIt'
import { Engraving } from '../../ui/Engraving'
import { Field } from '../../ui/Field'
import { OutlineLines } from '../../ui/Outline'
import { FileLook } from '../../ui/FileLook'
import { Press } from '../../ui/Press'
import { Select } from '../../ui/Select'
import { Tick } from '../../ui/Tick'

export interface Wanted {
  part?: number
  staff?: number
  voice?: number
  sounding?: boolean
}

interface Props {
  pieceId: number
  file: File
  keep: (wanted: Wanted) => void
  leave: () => void
}

/** A file is looked at before its music is kept: which part, which staves, and what would be left out. */
export function TakeIn({ pieceId, file, keep, leave }: Props) {
  const [wanted, setWanted] = useState<Wanted>({})
  const look = useQuery({
    // The file is known by what it is called and how long it is: its bytes are no name.
    queryKey: ['music look', pieceId, file.name, file.size, file.lastModified, wanted],
    queryFn: () =>
      ask(
        client.POST('/api/pieces/{id}/music/look', {
          params: { path: { id: pieceId }, query: wanted },
          ...asBytes(file),
        }),
      ),
    retry: false,
    staleTime: 0,
    gcTime: 0,
    placeholderData: keepPreviousData,
  })
  const refused = refusalOf(look.error)
  return (
    <FileLook label="Music to be taken" file={file}>
      {refused && (
        <Text role="alert" color="wrong" fontWeight={600} mb="2">
          {refused}
        </Text>
      )}
      {look.isLoading && <OutlineLines />}
      {look.data && !refused && <Look look={look.data} wanted={wanted} want={setWanted} />}
      <Flex gap="4" mt="3" wrap="wrap">
        {look.data && !refused && (
          <Press look="strong" onClick={() => keep({ ...wanted, part: look.data.part })}>
            Keep this music
          </Press>
        )}
        <Press look="quiet" onClick={leave}>
          Leave it
        </Press>
      </Flex>
    </FileLook>
  )
}

interface LookProps {
  look: Schemas['MusicLook']
  wanted: Wanted
  want: (wanted: Wanted) => void
}

function Look({ look, wanted, want }: LookProps) {
  return (
    <>
      <Flex gap="3" wrap="wrap" align="end">
        {look.choices.length > 1 && (
          <Field label={kindOf[look.format]} width="280px">
            <Select value={look.part} onChange={(event) => want({ part: Number(event.target.value) })}>
              {look.choices.map((choice, i) => (
                <option key={i} value={i}>
                  {choice.name} · {choice.isDrums ? 'drums, ' : ''}
                  {choice.notes} notes
                </option>
              ))}
            </Select>
          </Field>
        )}
        {look.staves > 1 && (
          <Field label="staves" width="160px">
            <Select
              value={wanted.staff ?? ''}
              onChange={(event) => want({ ...wanted, voice: undefined, staff: numberOf(event.target.value) })}
            >
              <option value="">all {look.staves}</option>
              {Array.from({ length: look.staves }, (_, i) => (
                <option key={i} value={i}>
                  {i === 0 ? 'the upper one' : i === look.staves - 1 ? 'the lowest' : `number ${i + 1}`}
                </option>
              ))}
            </Select>
          </Field>
        )}
        {look.voices > look.staves && (
          <Field label="voices" width="160px">
            <Select
              value={wanted.voice ?? ''}
              onChange={(event) => want({ ...wanted, staff: undefined, voice: numberOf(event.target.value) })}
            >
              <option value="">all {look.voices}</option>
              {Array.from({ length: look.voices }, (_, i) => (
                <option key={i} value={i}>
                  number {i + 1}
                </option>
              ))}
            </Select>
          </Field>
        )}
        <HearIt notes={look.bars.played} tempo={90} name="Hear how it begins" />
      </Flex>
      {look.transposition && (
        <Box mt="2">
          <Text>{look.transposition}</Text>
          {look.canMove && (
            <Tick
              label="move it, so that it sounds as in the file"
              on={look.isMoved}
              set={(sounding) => want({ ...wanted, sounding })}
            />
          )}
        </Box>
      )}
      <Box bg="sheet" border="1px solid" borderColor="line" borderRadius="8px" p="3" mt="2">
        <Engraving abc={look.bars.abc} label="How it begins" staffWidth={700} />
      </Box>
      <Text mt="2">
        Bars {look.firstBar} to {look.lastBar}.{' '}
        {look.leftOut.length === 0 ? 'All of it is taken over.' : 'Not taken over, or to be known:'}
      </Text>
      {look.leftOut.length > 0 && (
        <chakra.ul pl="5" color="faded">
          {look.leftOut.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </chakra.ul>
      )}
    </>
  )
}

const kindOf: Record<Schemas['MusicFormat'], string> = { Abc: 'tune', MusicXml: 'part', Midi: 'track' }

const numberOf = (text: string) => (text === '' ? undefined : Number(text))
