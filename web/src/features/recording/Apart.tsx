import { Text } from '@chakra-ui/react'
import { Link } from 'react-router'
import { api, type Schemas } from '../../api/client'

/** The line that offers the first and the newest side by side, or to record once more. */
export function ApartLine({ view }: { view: Schemas['ApartView'] }) {
  const twoThere = view.first.id !== view.newest.id
  return (
    <Text data-testid="apart">
      {view.words} {twoThere && <Link to={`/music/apart/${view.materialId}`}>Side by side</Link>}
    </Text>
  )
}

/** The same of one thing, where it was recorded. */
export function ApartOf({ materialId }: { materialId: number }) {
  const params = { path: { materialId } }
  const apart = api.useQuery('get', '/api/recordings/apart/{materialId}', { params })
  return apart.data ? <ApartLine view={apart.data} /> : null
}

/** What is offered today, of whatever was recorded. */
export function ApartOffers() {
  const offers = api.useQuery('get', '/api/recordings/apart', undefined, { throwOnError: false })
  return offers.data?.map((view) => (
    <Text key={view.materialId} mt="3">
      <b>{view.title}.</b> {view.words} <Link to={`/music/apart/${view.materialId}`}>Side by side</Link>
    </Text>
  ))
}
