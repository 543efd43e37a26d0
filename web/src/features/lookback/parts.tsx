import { Box, chakra, Flex, Grid, Text } from '@chakra-ui/react'
import { Link } from 'react-router'
import { ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Tines } from '../../ui/Tines'
import { sayDay, sayNumber, weekdayNumber, weekdays } from '../../ui/words'
import { useState } from 'react'

type Look = Schemas['LookBackView']

/** A picture, and the sentence that says what to see in it. */
export function Part({
  title,
  words,
  children,
}: {
  title: string
  words: string
  children?: React.ReactNode
}) {
  return (
    <Box as="section" aria-label={title} minW="0">
      <chakra.h3 fontSize="subheading" borderBottom="2px solid" borderColor="ink" pb="1">
        {title}
      </chakra.h3>
      <Text mt="2" mb={words ? '3' : '0'} maxW="62ch">
        {words}
      </Text>
      {children}
    </Box>
  )
}

export function Balance({ look }: { look: Look }) {
  return (
    <Part title="Minutes by area" words={look.balanceWords}>
      <Tines tines={look.balance} title="Minutes played of those wanted" />
    </Part>
  )
}

const [columnHeight, most] = [84, 3]

/** A column a day. */
export function Days({ look }: { look: Look }) {
  const highest = Math.max(30, ...look.days.map(({ minutes }) => minutes))
  return (
    <Part title="Days" words={look.daysWords}>
      <Flex align="end" gap={look.days.length > 30 ? '1px' : '3px'} role="img" aria-label="Minutes by day">
        {look.days.map(({ day, minutes }) => (
          <Box key={day} flex="1" minW="0" title={`${sayDay(day)}: ${Math.round(minutes)} min`}>
            <Box
              bg={minutes > 0 ? 'accent' : 'line'}
              borderRadius="2px 2px 0 0"
              height={`${Math.max(most, (minutes / highest) * columnHeight)}px`}
            />
            {look.days.length <= 28 && (
              <Flex
                fontSize="0.72em"
                color="faded"
                justify="center"
                whiteSpace="nowrap"
                w="0"
                mx="auto"
                aria-hidden
              >
                {look.days.length <= 7
                  ? weekdays[weekdayNumber(day)]
                  : weekdayNumber(day) === 0
                    ? Number(day.slice(8))
                    : '\u00a0'}
              </Flex>
            )}
          </Box>
        ))}
      </Flex>
      {look.days.some(({ minutes }) => minutes > 0) && (
        <Text color="faded" fontSize="0.9em" mt="1">
          The highest column is {Math.round(Math.max(...look.days.map(({ minutes }) => minutes)))} minutes.
        </Text>
      )}
      {look.spread.length > 0 && <Spread week={look.spread} />}
    </Part>
  )
}

/** The same minutes on more days, set by one press. */
function Spread({ week }: { week: number[] }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [isSet, setSet] = useState(false)
  const set = () =>
    run(async () => {
      const { usual } = await ask(client.GET('/api/week/ahead'))
      const sittings = usual.sittings.map((count, day) =>
        Math.min(count, Math.max(1, Math.floor((week[day] ?? 0) / 5))),
      )
      await ask(client.PUT('/api/week/usual', { body: { ...usual, sittings, minutes: week } }))
      await saved()
      setSet(true)
    })
  return (
    <Box mt="3">
      <Text>
        {week
          .map((minutes, day) => [weekdays[day], minutes] as const)
          .filter(([, minutes]) => minutes > 0)
          .map(([day, minutes]) => `${day} ${minutes}`)
          .join(', ')}
        : the same minutes.
      </Text>
      {isSet ? (
        <Text role="status">They are set from today on.</Text>
      ) : (
        <Press mt="2" onClick={set}>
          Set these minutes
        </Press>
      )}
      <Refusal problem={problem} />
    </Box>
  )
}

const shown = 8

/** What gained most first, with a bar from the middle: right is faster, left is slower. */
export function Moved({ look }: { look: Look }) {
  const [isAll, setAll] = useState(false)
  const rows = isAll ? look.moved : look.moved.slice(0, shown)
  const widest = Math.max(10, ...look.moved.map(({ gain }) => Math.abs(gain)))
  return (
    <Part title="What moved" words={look.movedWords}>
      {rows.map((one) => (
        <Grid
          key={one.materialId}
          templateColumns={{ base: 'minmax(0,1fr) 130px', md: 'minmax(0,1fr) 130px 100px' }}
          gap="3"
          alignItems="center"
          py="1"
          borderBottom="1px solid"
          borderColor="line"
        >
          <Link to={`/music/${one.materialId}/tempo`}>{one.title}</Link>
          <Text fontVariantNumeric="tabular-nums">{one.tempi}</Text>
          <Flex
            display={{ base: 'none', md: 'flex' }}
            align="center"
            gap="2"
            aria-label={`${sayNumber(one.gain)} %`}
            role="img"
          >
            <Box position="relative" flex="1" h="10px" bg="line" borderRadius="5px">
              <Box
                position="absolute"
                h="100%"
                borderRadius="5px"
                bg={one.gain >= 0 ? 'accent' : 'edge'}
                left={`${one.gain >= 0 ? 50 : 50 - (50 * Math.abs(one.gain)) / widest}%`}
                w={`${(50 * Math.abs(one.gain)) / widest}%`}
              />
            </Box>
          </Flex>
        </Grid>
      ))}
      {look.moved.length > shown && (
        <Press look="quiet" onClick={() => setAll(!isAll)}>
          {isAll ? 'Fewer' : `All ${look.moved.length}`}
        </Press>
      )}
    </Part>
  )
}

export function Things({
  title,
  words,
  things,
}: {
  title: string
  words: string
  things: Schemas['NamedThing'][]
}) {
  if (things.length === 0) return null
  return (
    <Box mb="6">
      <Part title={title} words={words}>
        {things.map((one) => (
          <Flex
            key={one.materialId}
            justify="space-between"
            gap="4"
            py="1"
            borderBottom="1px solid"
            borderColor="line"
          >
            <Link to={`/music/${one.materialId}/tempo`}>{one.title}</Link>
            <Text color="faded">{one.words}</Text>
          </Flex>
        ))}
      </Part>
    </Box>
  )
}

const part = ({ all, right }: Schemas['Counted']) =>
  `${right} of ${all}, ${Math.round((100 * right) / all)} %`

/** Takes, bars at sight, answers by ear. */
export function Counts({ look }: { look: Look }) {
  return (
    <Part title="Right and missed" words={look.takesWords}>
      {look.bars.all > 0 && <Text>Bars on time at sight: {part(look.bars)}</Text>}
      {look.ear.all > 0 && <Text>Answers by ear: {part(look.ear)}</Text>}
    </Part>
  )
}
