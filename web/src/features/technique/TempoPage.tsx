import { Box, Flex, Grid, Text, chakra } from '@chakra-ui/react'
import { useState, type ReactNode } from 'react'
import { Link, useLocation, useParams } from 'react-router'
import { api, type Schemas } from '../../api/client'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { sayClock, sayDate, sayTempo } from '../../ui/words'
import { Press } from '../../ui/Press'
import { Refusal } from '../../ui/refusal'
import { useRelief } from '../material/useRelief'
import { StationChoice } from './StationChoice'
import { TempoChart } from './TempoChart'

/** One thing's tempo over its visits: what was clean, what was tried, when the target may come, and what else to try. */
export function TempoPage() {
  const id = Number(useParams().id)
  const craft = useLocation().pathname.startsWith('/craft')
  const back = craft ? { to: '/craft', name: 'All exercises' } : { to: '/music', name: 'All music' }
  const tempo = api.useQuery(
    'get',
    '/api/materials/{id}/tempo',
    { params: { path: { id } } },
    { retry: false },
  )
  if (tempo.isError && !tempo.data)
    return (
      <Page title="Not there">
        <Empty>
          Nothing of that number is practised. <Link to={back.to}>{back.name}</Link>
        </Empty>
      </Page>
    )
  if (!tempo.data) return <Outline />
  const {
    title,
    points,
    target,
    best,
    reach,
    low,
    high,
    beat,
    start,
    plateau,
    forecast,
    notesPerMinute,
    ladderSettlesAt,
    longest,
    rungs,
    limits,
    late,
    retries,
    off,
    station,
  } = tempo.data
  return (
    <Page title={title} aside={<Link to={back.to}>{back.name}</Link>}>
      <Flex gap="8" wrap="wrap" mb="4" align="baseline">
        {reach && (
          <Big label={`within reach, ${low} to ${high} four times in five`} text={sayTempo(reach, beat)} />
        )}
        {best && <Big label="best clean" text={sayTempo(best, beat)} />}
        {longest && (
          <Big label={`longest without a miss, ${sayDate(longest.day)}`} text={sayClock(longest.seconds)} />
        )}
        {target && <Big label="target" text={sayTempo(target, beat)} />}
        {notesPerMinute && <Big label="notes a minute" text={String(notesPerMinute)} />}
        <Text color="faded">{start}</Text>
      </Flex>
      {points.length === 0 ? (
        <Empty>Here its tempo will stand, visit by visit, once it has been played.</Empty>
      ) : (
        <TempoChart tempo={tempo.data} />
      )}
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="8" mt="5">
        {forecast && (
          <Box>
            <chakra.h2 fontSize="subheading">When the target may come</chakra.h2>
            <Text mt="1" maxW="52ch">
              {forecast.words}
            </Text>
            <Text mt="2" maxW="52ch" color="faded">
              Left to itself the ladder settles where about {Math.round(ladderSettlesAt * 10)} takes in ten
              are clean. For more clean ones begin lower, or take three in a row.
            </Text>
          </Box>
        )}
        {station && <StationChoice station={station} />}
        {plateau.isStuck && <Advice id={id} plateau={plateau} />}
        {limits.length > 0 && (
          <Days title="As fast and as slowly as it went">
            {limits.map(({ day, fastest, slowest }) => (
              <Text key={day}>
                {sayDate(day)}: {fastest == null ? '' : `fastest ${sayTempo(fastest, beat)}`}
                {fastest != null && slowest != null ? ', ' : ''}
                {slowest == null ? '' : `slowest ${sayTempo(slowest, beat)}`}
              </Text>
            ))}
          </Days>
        )}
        {late.length > 0 && (
          <Days title="Late in the last runs">
            <Text>
              {late.map(({ name, times }) => `${name} ${times === 1 ? 'once' : `${times} times`}`).join(', ')}
            </Text>
          </Days>
        )}
        {retries.length > 0 && (
          <Days title="Played again before it went on, four weeks">
            <Text>
              {retries
                .map(({ name, times }) => `${name} ${times === 1 ? 'once' : `${times} times`}`)
                .join(', ')}
            </Text>
          </Days>
        )}
        {off && (
          <Days title="Beside the click, four weeks">
            <Text>
              {off.early} too early, {off.late} too late
            </Text>
          </Days>
        )}
        {rungs.length > 0 && (
          <Days title="What held on the subdivision ladder">
            {rungs.map(({ day, key, rung }) => (
              <Text key={`${day} ${key}`}>
                {sayDate(day)}: {key && `${key}, `}up to {rung}
              </Text>
            ))}
          </Days>
        )}
      </Grid>
    </Page>
  )
}

function Big({ label, text }: { label: string; text: string }) {
  return (
    <Box>
      <Text fontSize="0.85em" color="faded">
        {label}
      </Text>
      <Text fontFamily="heading" fontSize="2.0rem" fontWeight={600} lineHeight={1.1}>
        {text}
      </Text>
    </Box>
  )
}

function Days({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box>
      <chakra.h2 fontSize="subheading" mb="1">
        {title}
      </chakra.h2>
      {children}
    </Box>
  )
}

function Advice({ id, plateau }: { id: number; plateau: Schemas['PlateauView'] }) {
  const { problem, give } = useRelief()
  const [given, setGiven] = useState('')
  const accept = async ({ title, does = 'None' }: Schemas['Remedy']) => {
    if (await give(id, does)) setGiven(title)
  }
  return (
    <Box borderLeft="4px solid" borderColor="accent" pl="4">
      <chakra.h2 fontSize="subheading">Something else to try</chakra.h2>
      <Text mt="1" mb="2">
        {plateau.reason}
      </Text>
      {plateau.remedies.map((remedy) => (
        <Text key={remedy.title} mb="1.5">
          <b>{remedy.title}.</b> {remedy.how}{' '}
          {(remedy.does ?? 'None') !== 'None' &&
            (given === remedy.title ? (
              <i>From tomorrow; asked about again in two weeks.</i>
            ) : (
              <Press look="quiet" onClick={() => void accept(remedy)}>
                Do this from tomorrow
              </Press>
            ))}
        </Text>
      ))}
      <Refusal problem={problem} />
    </Box>
  )
}
