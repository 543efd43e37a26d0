import { Box, chakra, Flex, Grid, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { usePracticeDay } from '../../api/practiceDay'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Fold } from '../../ui/Fold'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Ticks } from '../../ui/Tick'
import { sayDay } from '../../ui/words'
import { Tunes } from './Tunes'

type Ear = Schemas['EarView']

/** The ear: what is open, how sure it is, and what is taken for what. */
export function EarPage() {
  const ear = api.useQuery('get', '/api/ear')
  const navigate = useNavigate()
  if (!ear.data) return <Outline />
  const { isPitched, open, all, today, confusions, families, weeks, next, opensWhen, copies, choices } =
    ear.data
  return (
    <Page title="Ear">
      <Text maxW="70ch">
        One question after the other, without the instrument: what is due, what you take for another, a little
        new. {open === 0 ? 'The first round begins with two of each.' : `${open} of ${all} are open`}
        {open > 0 && (today.due > 0 ? `, ${today.due} due today.` : ', nothing is due today.')}
        {next && open > 0 && ` Next: ${next}, ${opensWhen}.`}
      </Text>
      <Flex mt="4" gap="5" align="center" wrap="wrap">
        <Press look="strong" minH="44px" onClick={() => navigate('/ear')}>
          A round of five minutes
        </Press>
        {today.asked > 0 && (
          <Text color="faded">
            Today {today.right} of {today.asked} right.
          </Text>
        )}
      </Flex>
      <Grid templateColumns={{ base: '1fr', lg: '1fr 1fr' }} gap="10" mt="7">
        <Box>
          <Confusions confusions={confusions} />
          <OnTheInstrument copies={copies} isPitched={isPitched} />
          <Weeks weeks={weeks} />
        </Box>
        <Box>
          <Families families={families} />
          <Choices choices={choices} />
        </Box>
      </Grid>
    </Page>
  )
}

/** A key as it is printed. */
const printed = (key: string) => key.replace(/^([A-G])b/, '$1♭').replace(/^([A-G])#/, '$1♯')

/** What is heard and played back, and tunes one knows. */
function OnTheInstrument({ copies, isPitched }: { copies: Ear['copies']; isPitched: boolean }) {
  const todays = api.useQuery('get', '/api/today', undefined, { throwOnError: false }).data?.techniqueKey
  const address = (kind: Ear['copies'][number]['kind']) =>
    kind === 'Phrase'
      ? '/ear/copy?kind=phrase'
      : `/ear/copy?kind=figure${todays ? `&key=${encodeURIComponent(todays)}` : ''}`
  return (
    <Box as="section" aria-label="On the instrument" mt="7">
      <chakra.h2 fontSize="subheading" borderBottom="2px solid" borderColor="ink" pb="1">
        On the instrument
      </chakra.h2>
      {copies.map(({ kind, level, last }) => (
        <Box key={kind} py="2" borderBottom="1px solid" borderColor="line">
          <Link to={address(kind)} style={{ fontWeight: 600, textDecoration: 'underline' }}>
            {kind === 'Phrase'
              ? 'A phrase, heard and played back'
              : `A figure moved up${todays ? ` ${printed(todays)}` : ' the scale'}`}
          </Link>
          <Text color="faded" fontSize="0.92em">
            {last || `Level ${level} to begin with.`}
          </Text>
        </Box>
      ))}
      {isPitched && <Tunes />}
    </Box>
  )
}

/** What is asked and what is not; what is known of it is kept. */
function Choices({ choices }: { choices: Ear['choices'] }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [open, setOpen] = useState(false)
  const out = choices.filter((one) => one.isLeftOut)
  const set = (leftOut: Ear['choices'][number]['family'][]) =>
    run(async () => {
      await ask(client.PUT('/api/ear/wishes', { body: { leftOut } }))
      await saved()
    })
  return (
    <Box mt="4">
      <Fold open={open} toggle={() => setOpen(!open)}>
        {out.length === 0 ? 'Leave something out' : `Left out: ${out.map((one) => one.name).join(', ')}`}
      </Fold>
      {open && (
        <Ticks
          legend="asked"
          options={choices.map((one) => [one.family, one.name] as const)}
          chosen={choices.filter((one) => !one.isLeftOut).map((one) => one.family)}
          set={(kept) => void set(choices.map((one) => one.family).filter((one) => !kept.includes(one)))}
        />
      )}
      <Refusal problem={problem} />
    </Box>
  )
}

/** Who is taken for whom: two bars a pair, one each way, and what to do. */
function Confusions({ confusions }: { confusions: Ear['confusions'] }) {
  const navigate = useNavigate()
  const most = Math.max(1, ...confusions.flatMap((one) => [one.oneForOther, one.otherForOne]))
  return (
    <Box as="section" aria-label="Taken for each other">
      <chakra.h2 fontSize="subheading" borderBottom="2px solid" borderColor="ink" pb="1">
        Taken for each other, in four weeks
      </chakra.h2>
      {confusions.length === 0 && (
        <Empty>Nothing is taken for anything else more than once. What you confuse will stand here.</Empty>
      )}
      {confusions.slice(0, 5).map((pair) => (
        <Box key={pair.items.join()} py="3" borderBottom="1px solid" borderColor="line">
          <Text fontWeight={600}>{pair.words}</Text>
          <Ways
            says={[
              { name: `${pair.one} heard as ${pair.other}`, times: pair.oneForOther },
              { name: `${pair.other} heard as ${pair.one}`, times: pair.otherForOne },
            ]}
            most={most}
          />
          <Text color="faded" fontSize="0.95em">
            {pair.remedy}
          </Text>
          <Press
            mt="2"
            onClick={() =>
              navigate(`/ear?${pair.items.map((one) => `only=${encodeURIComponent(one)}`).join('&')}`)
            }
          >
            Only these two
          </Press>
        </Box>
      ))}
    </Box>
  )
}

function Ways({ says, most }: { says: { name: string; times: number }[]; most: number }) {
  return (
    <Grid
      templateColumns="minmax(0,1fr) 120px 24px"
      columnGap="3"
      alignItems="center"
      my="1"
      fontSize="0.95em"
    >
      {says.map(({ name, times }) => (
        <Grid key={name} templateColumns="subgrid" gridColumn="1 / -1" alignItems="center">
          <Text>{name}</Text>
          <Box height="10px" bg="line" borderRadius="5px" aria-hidden>
            <Box height="100%" bg="accent" borderRadius="5px" width={`${(100 * times) / most}%`} />
          </Box>
          <Text textAlign="right">{times}</Text>
        </Grid>
      ))}
    </Grid>
  )
}

/** Right answers by week. */
function Weeks({ weeks }: { weeks: Ear['weeks'] }) {
  const said = weeks.filter((week) => week.asked > 0)
  if (said.length < 2) return null
  const part = (week: Ear['weeks'][number]) => week.right / week.asked
  const [first, last] = [said[0]!, said.at(-1)!]
  const percent = (week: Ear['weeks'][number]) => `${Math.round(part(week) * 100)} %`
  return (
    <Box as="section" aria-label="By week" mt="7">
      <chakra.h2 fontSize="subheading" borderBottom="2px solid" borderColor="ink" pb="1">
        By week
      </chakra.h2>
      <Text mt="2">
        {percent(first)} right in the first of these weeks, {percent(last)} in the last, while more and harder
        things opened.
      </Text>
      <Flex align="end" gap="2" height="90px" mt="2" role="img" aria-label="Right answers by week">
        {weeks.map((week) => (
          <Flex key={week.from} direction="column" align="center" justify="end" flex="1" height="100%">
            <Text fontSize="0.8em" color="faded">
              {week.asked > 0 && week.asked}
            </Text>
            <Box
              width="100%"
              bg="line"
              height={week.asked > 0 ? '60px' : '0'}
              position="relative"
              borderRadius="3px"
            >
              {week.asked > 0 && (
                <Box
                  position="absolute"
                  bottom="0"
                  width="100%"
                  bg="accent"
                  borderRadius="3px"
                  height={`${part(week) * 100}%`}
                />
              )}
            </Box>
          </Flex>
        ))}
      </Flex>
      <Text color="faded" fontSize="0.88em" mt="1">
        The figures are answers given; the newest week is on the right.
      </Text>
    </Box>
  )
}

const holds = (days: number) => (days < 1 ? 'under a day' : days < 1.5 ? '1 day' : `${Math.round(days)} days`)

function Families({ families }: { families: Ear['families'] }) {
  const day = usePracticeDay()
  return (
    <Box as="section" aria-label="What is open">
      <chakra.h2 fontSize="subheading" borderBottom="2px solid" borderColor="ink" pb="1">
        How long it holds
      </chakra.h2>
      {families.length === 0 && (
        <Empty>After the first round each thing stands here, with the days it holds.</Empty>
      )}
      {families.map((family) => (
        <Box key={family.name} py="2" borderBottom="1px solid" borderColor="line">
          <Text fontWeight={600}>
            {family.name}{' '}
            <chakra.span color="faded" fontWeight={400}>
              {family.open} of {family.items.length}
            </chakra.span>
          </Text>
          <Flex gap="2" wrap="wrap" mt="1">
            {family.items
              .filter((item) => item.due)
              .map((item) => (
                <Box
                  key={item.item}
                  border="1.5px solid"
                  borderColor={item.due! <= day ? 'accent' : 'line'}
                  borderRadius="6px"
                  px="2"
                  py="0.5"
                  fontSize="0.92em"
                  title={`asked ${item.asked} times, ${item.right} right; due ${sayDay(item.due!, day)}`}
                >
                  {item.label} ·{' '}
                  <chakra.span color="faded">
                    {holds(item.holds ?? 0)}
                    {item.due! <= day && ', due'}
                  </chakra.span>
                </Box>
              ))}
          </Flex>
        </Box>
      ))}
    </Box>
  )
}
