import { api } from './client'

/** Whether the instrument has pitch; a drum is not shown what needs one. */
export const usePitched = () => api.useQuery('get', '/api/about').data?.isPitched ?? true
