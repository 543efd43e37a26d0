import { Box, Flex, chakra } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { NavLink, useLocation, useNavigate } from 'react-router'
import { keepBook, type Book } from '../api/book'
import { api } from '../api/client'
import { Tines } from '../ui/Tines'

const places = [
  ['/', 'Today'],
  ['/routines', 'Routines'],
  ['/warm-up', 'Warm-up'],
  ['/technique', 'Technique'],
  ['/material', 'Material'],
  ['/sound', 'Sound'],
  ['/journal', 'Journal'],
  ['/balance', 'Balance'],
] as const

/** Views that stand under another one in the menu. */
const homes: Record<string, string> = {
  '/sheets': '/technique',
  '/keys': '/technique',
  '/goals': '/balance',
  '/methods': '/balance',
  '/instrument': '/balance',
  '/backups': '/balance',
}
const under = (to: string, path: string) =>
  path === to || homes[path] === to || (to === '/material' && path.startsWith('/piece/'))

const Place = chakra(NavLink, {
  base: {
    py: '2',
    whiteSpace: 'nowrap',
    borderBottom: '3px solid transparent',
    '&.active': { fontWeight: 700, borderColor: 'accent' },
  },
})

export function Header() {
  const today = api.useQuery('get', '/api/today', undefined, { throwOnError: false })
  const { pathname } = useLocation()
  return (
    <Flex
      as="header"
      className="no-print"
      align="center"
      gap={{ base: '3', md: '6' }}
      px={{ base: '4', md: '8' }}
      py="2"
      borderBottom="2px solid"
      borderColor="ink"
      wrap="wrap"
    >
      <Flex align="center" gap="3">
        <img src="/fork.svg" alt="" width={22} height={30} />
        <chakra.span
          fontFamily="heading"
          fontWeight={700}
          fontSize="22px"
          display={{ base: 'none', lg: 'block' }}
        >
          Tuning Fork
        </chakra.span>
      </Flex>
      <Flex
        as="nav"
        aria-label="Main"
        gap={{ base: '4', md: '5' }}
        flex={{ base: '1 0 100%', md: '1' }}
        order={{ base: 1, md: 0 }}
        wrap={{ base: 'nowrap', md: 'wrap' }}
        overflowX={{ base: 'auto', md: 'visible' }}
      >
        {places.map(([to, name]) => (
          <Place key={to} to={to} end className={under(to, pathname) ? 'active' : undefined}>
            {name}
          </Place>
        ))}
      </Flex>
      {today.data && (
        <NavLink to="/balance" title="The last seven days, played of wanted">
          <Tines tines={today.data.tines} small />
        </NavLink>
      )}
      <BookChoice />
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
    <Box>
      <chakra.select
        aria-label="Whose practice"
        value={about.data.book}
        onChange={(event) => void choose(event.target.value as Book)}
        bg="transparent"
        border="1px solid"
        borderColor="#8b8371"
        borderRadius="6px"
        px="2"
        minH="38px"
        maxW="220px"
      >
        <option value="Demo">Demo · B-flat clarinet</option>
        <option value="HandDrum">Demo · hand drum</option>
        <option value="Own">
          {about.data.book === 'Own' && about.data.instrument
            ? `My own · ${about.data.instrument}`
            : 'My own'}
        </option>
      </chakra.select>
    </Box>
  )
}
