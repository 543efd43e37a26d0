import { api, type Schemas } from './client'

/** What can be chosen from, in the words it is offered in; asked for once. Empty lists until it is there. */
export function useChoices(): Schemas['ChoicesView'] {
  return api.useQuery('get', '/api/choices', undefined, { staleTime: Infinity }).data ?? none
}

const none: Schemas['ChoicesView'] = {
  families: [],
  schools: [],
  mixes: [],
  keySchools: [],
  keyOrders: [],
  warmUpSchools: [],
  namings: [],
  courses: [],
  fits: [],
  goals: [],
  variants: [],
  reliefs: [],
  stations: [],
  difficulties: [],
  served: [],
  beats: [],
  tonics: [],
  restWeeks: [],
  leastMinutes: 5,
  mostMinutes: 240,
}
