import { Box, Flex, Grid, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { usePracticeDay } from '../../api/practiceDay'
import { api, ask, client, type Schemas } from '../../api/client'
import { usePitched } from '../../api/usePitched'
import { useSaved } from '../../api/saved'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { sayDay } from '../../ui/words'
import { MaterialForm } from '../material/MaterialForm'
import { emptyWish, wishOf, type Wish } from '../material/wish'
import { WorkEditor } from './WorkEditor'
import { fresh, kinds, type Draft } from './work'

type Line = Schemas['ExerciseLine']

const columns = {
  base: '1fr auto',
  md: 'minmax(0,1.5fr) minmax(0,1.1fr) minmax(0,0.8fr) 92px 210px',
}

/** All exercises, where each stands, and what is to be decided. */
export function ExercisesPage() {
  const today = usePracticeDay()
  const isPitched = usePitched()
  const lines = api.useQuery('get', '/api/technique/exercises')
  const materials = api.useQuery('get', '/api/materials')
  const [draft, setDraft] = useState<Draft | null>(null)
  const [plain, setPlain] = useState<{ id: number | null; wish: Wish } | null>(null)
  if (!lines.data) return <Outline />
  if (draft) return <WorkEditor start={draft} close={() => setDraft(null)} />
  const waiting = lines.data.filter((line) => line.proposal)
  return (
    <Page title="Exercises">
      {plain && (
        <MaterialForm
          key={plain.id ?? 'new'}
          id={plain.id}
          start={plain.wish}
          pieces={[]}
          close={() => setPlain(null)}
          again={(wish) => setPlain({ id: null, wish })}
        />
      )}
      {waiting.length > 0 && (
        <Box as="section" aria-label="To decide" mb="7">
          <chakra.h2 fontSize="heading" mb="1">
            Keep, rest or drop?
          </chakra.h2>
          {waiting.map((line) => (
            <Decision key={line.id} line={line} />
          ))}
        </Box>
      )}
      <Grid templateColumns={{ base: '1fr', lg: 'minmax(0,1fr) 270px' }} columnGap="10" rowGap="6">
        <Box as="section" aria-label="Exercises">
          {lines.data.length === 0 && (
            <Empty>
              Here your exercises will stand with their tempo and their review date. Begin with{' '}
              {isPitched
                ? 'a sheet, or with one of the kinds on the right.'
                : 'one of the kinds on the right.'}
            </Empty>
          )}
          <Grid
            templateColumns={columns}
            columnGap="4"
            color="faded"
            fontSize="0.85em"
            borderBottom="2px solid"
            borderColor="ink"
            pb="1"
            aria-hidden
          >
            <span>exercise</span>
            <chakra.span display={{ base: 'none', md: 'block' }}>stands</chakra.span>
            <chakra.span display={{ base: 'none', md: 'block' }}>helps with</chakra.span>
            <chakra.span display={{ base: 'none', md: 'block' }}>keep or rest?</chakra.span>
          </Grid>
          <chakra.ul>
            {lines.data.map((line) => (
              <ExerciseRow
                key={line.id}
                line={line}
                edit={setDraft}
                material={materials.data?.find((one) => one.id === line.id)}
                editPlain={(one) => setPlain({ id: one.id, wish: wishOf(one) })}
              />
            ))}
          </chakra.ul>
        </Box>
        <Box as="section" aria-label="New exercise">
          <chakra.h2 fontSize="subheading" borderBottom="2px solid" borderColor="ink" pb="1">
            New exercise
          </chakra.h2>
          <NewKind
            name="By its name"
            about={`${isPitched ? 'a scale' : 'a rudiment'}, a pattern, anything with a target tempo`}
            make={() => setPlain({ id: null, wish: emptyWish('Exercise', []) })}
          />
          {kinds
            .filter((kind) => isPitched || kind.isStruck)
            .map((kind) => (
              <NewKind
                key={kind.id}
                name={kind.name}
                about={kind.about}
                make={() => setDraft(fresh(kind.id, today))}
              />
            ))}
          {isPitched && (
            <Text mt="3" color="faded" fontSize="0.95em">
              Scales, arpeggios and single patterns come from the <Link to="/craft/sheets">sheets</Link>.
            </Text>
          )}
        </Box>
      </Grid>
    </Page>
  )
}

function NewKind({ name, about, make }: { name: string; about: string; make: () => void }) {
  return (
    <chakra.button
      display="block"
      width="100%"
      textAlign="left"
      py="2"
      borderBottom="1px solid"
      borderColor="line"
      cursor="pointer"
      _hover={{ bg: 'sheet' }}
      onClick={make}
    >
      <Text fontWeight={700}>{name}</Text>
      <Text color="faded" fontSize="0.9em">
        {about}
      </Text>
    </chakra.button>
  )
}

interface RowProps {
  line: Line
  edit: (draft: Draft) => void
  material?: Schemas['MaterialView']
  editPlain: (material: Schemas['MaterialView']) => void
}

function ExerciseRow({ line, edit, material, editPlain }: RowProps) {
  const navigate = useNavigate()
  const { problem, decide } = useReview(line.id)
  const rest = () => decide(line.resting ? 'BringBack' : 'Rest')
  const kind =
    kinds.find((one) => one.id === line.work?.kind)?.name ??
    (line.inKeys ? 'through the keys' : line.sheet ? 'sheet' : '')
  return (
    <chakra.li
      py="2.5"
      borderBottom="1px solid"
      borderColor="line"
      color={line.resting ? 'faded' : undefined}
    >
      <Grid templateColumns={columns} columnGap="4" alignItems="baseline">
        <Text>
          <Link to={`/craft/${line.id}/${line.work?.kind === 'Numbers' ? 'book' : 'tempo'}`}>
            <b>{line.title}</b>
          </Link>
          {kind && (
            <chakra.span display="block" color="faded" fontSize="0.88em">
              {kind}
            </chakra.span>
          )}
        </Text>
        <Text>{line.resting ? 'resting' : line.stands}</Text>
        <Text color="faded" fontSize="0.92em">
          {line.serves.join(', ')}
        </Text>
        <Text color="faded" fontSize="0.92em">
          {line.reviewOn ? sayDay(line.reviewOn) : 'none'}
        </Text>
        <Flex justify={{ base: 'start', md: 'end' }} align="center">
          <Press
            look="quiet"
            minH="34px"
            aria-label={`Notes on ${line.title}`}
            onClick={() => navigate(`/journal?material=${line.id}`)}
          >
            notes
          </Press>
          <Press
            look="quiet"
            minH="34px"
            aria-label={`Change ${line.title}`}
            disabled={!line.work && !material}
            onClick={() =>
              line.work
                ? edit({
                    id: line.id,
                    title: line.title,
                    work: line.work,
                    target: line.target ?? null,
                    sheet: line.sheet ?? null,
                    serves: line.serves,
                    version: line.version,
                    inKeys: line.inKeys,
                  })
                : material && editPlain(material)
            }
          >
            change
          </Press>
          <Press
            look="quiet"
            minH="34px"
            aria-label={`${line.resting ? 'Bring back' : 'Rest'} ${line.title}`}
            onClick={() => rest()}
          >
            {line.resting ? 'bring back' : 'rest'}
          </Press>
        </Flex>
      </Grid>
      <Refusal problem={problem} />
    </chakra.li>
  )
}

const words: Record<Schemas['ReviewDecision'], string> = {
  Keep: 'keep',
  Rest: 'let it rest',
  Drop: 'drop',
  BringBack: 'bring back',
}

/** What is decided about an exercise, at its review or at any time. */
function useReview(id: number) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const decide = async (decision: Schemas['ReviewDecision']) => {
    const body = { decision }
    const params = { path: { id } }
    if (await run(() => ask(client.POST('/api/technique/exercises/{id}/review', { params, body }))))
      await saved()
  }
  return { problem, decide }
}

/** One exercise at its review: what the app would do stands first, all can be chosen. */
function Decision({ line }: { line: Line }) {
  const { problem, decide } = useReview(line.id)
  const all: Schemas['ReviewDecision'][] = line.resting ? ['BringBack', 'Drop'] : ['Keep', 'Rest', 'Drop']
  return (
    <Flex
      columnGap="4"
      rowGap="2"
      align="center"
      wrap="wrap"
      py="2"
      borderBottom="1px solid"
      borderColor="line"
    >
      <Text flex="1" minW="220px">
        <b>{line.title}</b>: {line.proposal?.reason}
      </Text>
      {all.map((one) => (
        <Press
          key={one}
          minH="36px"
          look={line.proposal?.decision === one ? 'strong' : undefined}
          aria-label={`${words[one]}: ${line.title}`}
          onClick={() => decide(one)}
        >
          {words[one]}
        </Press>
      ))}
      <Refusal problem={problem} />
    </Flex>
  )
}
