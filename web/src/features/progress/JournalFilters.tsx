import { Flex, Input } from '@chakra-ui/react'
import { useSearchParams } from 'react-router'
import { api, type Area } from '../../api/client'
import { areaLooks, staffOrder } from '../../ui/areas'
import { Field } from '../../ui/Field'
import { Press } from '../../ui/Press'
import { Select } from '../../ui/Select'

/** What the journal is narrowed to; it stands in the address, so that a link can ask for it. */
export function useFilters() {
  const [asked, setAsked] = useSearchParams()
  const material = Number(asked.get('material')) || undefined
  const area = staffOrder.find((one) => one === asked.get('area'))
  const tag = asked.get('tag') ?? undefined
  const from = asked.get('from') ?? undefined
  const to = asked.get('to') ?? undefined
  const set = (name: 'material' | 'area' | 'tag' | 'from' | 'to', value: string) => {
    const next = new URLSearchParams(asked)
    if (value) next.set(name, value)
    else next.delete(name)
    setAsked(next, { replace: true })
  }
  const isNarrow = Boolean(material ?? area ?? tag)
  return { material, area, tag, from, to, set, isNarrow, clear: () => setAsked({}, { replace: true }) }
}

export type Filters = ReturnType<typeof useFilters>

export function JournalFilters({ filters }: { filters: Filters }) {
  const { material, area, tag, from, to, set, clear } = filters
  const things = api.useQuery('get', '/api/materials').data ?? []
  const tags = api.useQuery('get', '/api/journal/phrases').data?.tags ?? []
  return (
    <Flex gap="3" wrap="wrap" align="end" mb="4" className="no-print" role="group" aria-label="Narrow down">
      <Field label="about" width="220px">
        <Select value={material ?? ''} onChange={(event) => set('material', event.target.value)}>
          <option value="">anything</option>
          {things.map((one) => (
            <option key={one.id} value={one.id}>
              {one.title}
            </option>
          ))}
        </Select>
      </Field>
      <Field label="area" width="150px">
        <Select value={area ?? ''} onChange={(event) => set('area', event.target.value)}>
          <option value="">any</option>
          {staffOrder.map((one: Area) => (
            <option key={one} value={one}>
              {areaLooks[one].name}
            </option>
          ))}
        </Select>
      </Field>
      {(tags.length > 0 || tag) && (
        <Field label="tag" width="150px">
          <Select value={tag ?? ''} onChange={(event) => set('tag', event.target.value)}>
            <option value="">any</option>
            {[...new Set([...tags, ...(tag ? [tag] : [])])].map((one) => (
              <option key={one}>{one}</option>
            ))}
          </Select>
        </Field>
      )}
      <Field label="from" width="160px">
        <Input type="date" value={from ?? ''} onChange={(event) => set('from', event.target.value)} />
      </Field>
      <Field label="to" width="160px">
        <Input type="date" value={to ?? ''} onChange={(event) => set('to', event.target.value)} />
      </Field>
      {(filters.isNarrow || from || to) && (
        <Press look="quiet" onClick={clear}>
          all of it
        </Press>
      )}
    </Flex>
  )
}
