import { Box, Flex, chakra } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { Link, useLocation, useNavigate } from 'react-router'
import { keepBook, type Book } from '../api/book'
import { api } from '../api/client'
import { usePitched } from '../api/usePitched'
import { Select } from '../ui/Select'
import { Tines } from '../ui/Tines'
import { places, setUp, viewOf, type Place } from './places'
import { usePlaceMemory } from './usePlaceMemory'

const PlaceLink = chakra(Link, {
  base: {
    py: '2',
    whiteSpace: 'nowrap',
    borderBottom: '3px solid transparent',
    '&[aria-current]': { fontWeight: 700, borderColor: 'accent' },
  },
})

/** Mark, places, balance, setting up, and whose practice it is. On a phone the places stand at the bottom, under the thumb. */
export function Header() {
  const balance = useBalance()
  const { here, leadsTo } = usePlaceMemory()
  const link = (place: Place) => (
    <PlaceLink key={place.to} to={leadsTo(place)} aria-current={here === place ? 'page' : undefined}>
      {place.name}
    </PlaceLink>
  )
  return (
    <>
      <Flex
        as="header"
        className="no-print"
        align="center"
        gap={{ base: '4', md: '6' }}
        px={{ base: '4', md: '8' }}
        py="2"
        borderBottom="2px solid"
        borderColor="ink"
      >
        <Flex align="center" gap="3">
          <img src="/fork.svg" alt="" width={22} height={30} />
          <chakra.span
            fontFamily="heading"
            fontWeight={700}
            fontSize="subheading"
            display={{ base: 'none', lg: 'block' }}
          >
            Tuning Fork
          </chakra.span>
        </Flex>
        <Flex as="nav" aria-label="Places" gap="6" flex="1" display={{ base: 'none', md: 'flex' }}>
          {places.map(link)}
        </Flex>
        <Box flex="1" display={{ md: 'none' }} />
        {balance && (
          <Link to="/week" aria-label="The week">
            <Tines tines={balance} small />
          </Link>
        )}
        <chakra.span color="faded">{link(setUp)}</chakra.span>
        <BookChoice />
      </Flex>
      <ThumbBar here={here} leadsTo={leadsTo} />
    </>
  )
}

/** The balance of the week: on Today it comes with the plan, elsewhere by itself and without one. */
function useBalance() {
  const onToday = useLocation().pathname === '/'
  const plan = api.useQuery('get', '/api/today', undefined, { throwOnError: false, enabled: onToday })
  const alone = api.useQuery('get', '/api/week/balance', undefined, {
    throwOnError: false,
    enabled: !onToday,
  })
  return onToday ? plan.data?.tines : alone.data
}

/** The places on a phone. */
function ThumbBar({ here, leadsTo }: { here: Place | null; leadsTo: (place: Place) => string }) {
  return (
    <chakra.nav
      aria-label="Places"
      className="no-print"
      display={{ base: 'grid', md: 'none' }}
      gridTemplateColumns={`repeat(${places.length}, 1fr)`}
      position="fixed"
      insetX="0"
      bottom="0"
      zIndex="5"
      bg="paper"
      borderTop="2px solid"
      borderColor="ink"
      pb="env(safe-area-inset-bottom)"
    >
      {places.map((place) => (
        <PlaceLink
          key={place.to}
          to={leadsTo(place)}
          aria-current={here === place ? 'page' : undefined}
          textAlign="center"
          minH="52px"
          display="flex"
          alignItems="center"
          justifyContent="center"
        >
          {place.name}
        </PlaceLink>
      ))}
    </chakra.nav>
  )
}

const Tab = chakra(Link, {
  base: {
    py: '1.5',
    whiteSpace: 'nowrap',
    color: 'faded',
    borderBottom: '2px solid transparent',
    '&[aria-current]': { color: 'ink', fontWeight: 700, borderColor: 'accent' },
  },
})

/** The views of the place one is in. */
export function ViewTabs() {
  const { here } = usePlaceMemory()
  const { pathname } = useLocation()
  const isPitched = usePitched()
  const row = useRef<HTMLDivElement>(null)
  // On a phone the row may be wider than the window: the view one is in comes into sight.
  useEffect(() => {
    row.current?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'center' })
  }, [pathname])
  if (!here?.views) return null
  const view = viewOf(here.views, pathname)
  return (
    <Flex
      as="nav"
      ref={row}
      aria-label={here.name}
      className="no-print"
      gap="5"
      maxW="1260px"
      mx="auto"
      px={{ base: '4', md: '8' }}
      pt="3"
      overflowX="auto"
    >
      {here.views.map(([to, name, struck]) => {
        const shown = isPitched || struck === undefined ? name : struck
        return (
          shown && (
            <Tab key={to} to={to} aria-current={pathname === to ? 'page' : to === view ? 'true' : undefined}>
              {shown}
            </Tab>
          )
        )
      })}
    </Flex>
  )
}

/** Demo or own: plainly there, and each window may show another. */
function BookChoice() {
  const about = api.useQuery('get', '/api/about')
  const queries = useQueryClient()
  const navigate = useNavigate()
  const choose = async (book: Book) => {
    keepBook(book)
    await queries.resetQueries()
    await navigate('/')
  }
  if (!about.data) return null
  return (
    <Select
      aria-label="Whose practice"
      value={about.data.book}
      onChange={(event) => void choose(event.target.value as Book)}
      width={{ base: '130px', md: '220px' }}
      minH="38px"
      bg="transparent"
    >
      <option value="Demo">Demo · B-flat clarinet</option>
      <option value="HandDrum">Demo · hand drum</option>
      <option value="Own">
        {about.data.book === 'Own' && about.data.instrument ? `My own · ${about.data.instrument}` : 'My own'}
      </option>
    </Select>
  )
}
