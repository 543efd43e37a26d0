import { Flex, chakra } from '@chakra-ui/react'
import { NavLink } from 'react-router'

const Tab = chakra(NavLink, {
  base: {
    py: '1.5',
    whiteSpace: 'nowrap',
    color: 'faded',
    borderBottom: '2px solid transparent',
    '&.active': { color: 'ink', fontWeight: 700, borderColor: 'accent' },
  },
})

/** The views that belong together, one of them open. */
export function Tabs({ name, places }: { name: string; places: readonly (readonly [string, string])[] }) {
  return (
    <Flex as="nav" aria-label={name} gap="5" mb="1" overflowX="auto" className="no-print">
      {places.map(([to, title]) => (
        <Tab key={to} to={to} end>
          {title}
        </Tab>
      ))}
    </Flex>
  )
}

const technique = [
  ['/technique', 'Exercises'],
  ['/sheets', 'Sheets'],
  ['/keys', 'Keys'],
] as const

export const TechniqueTabs = () => <Tabs name="Technique" places={technique} />

const settings = [
  ['/balance', 'Balance of the week'],
  ['/goals', 'Goals'],
  ['/methods', 'Methods'],
  ['/instrument', 'Instrument'],
  ['/backups', 'Backups'],
] as const

export const BalanceTabs = () => <Tabs name="Balance" places={settings} />
