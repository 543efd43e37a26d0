import { Box, Flex, Grid, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { api, type Schemas } from '../../api/client'
import { Outline } from '../../ui/Outline'
import { Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { MethodForm } from './MethodForm'

type Method = Schemas['MethodView']

/** All ways to practise: one's own first, then those that come with the program. */
export function MethodsPage() {
  const methods = api.useQuery('get', '/api/methods')
  const [editing, setEditing] = useState<number | 'new' | null>(null)
  if (!methods.data) return <Outline />
  const own = methods.data.filter((one) => one.ownId !== null)
  const ours = methods.data.filter((one) => one.ownId === null)
  return (
    <Page
      title="Methods"
      aside={
        <Press look="strong" onClick={() => setEditing('new')}>
          A method of your own
        </Press>
      }
    >
      {editing !== null && (
        <MethodForm
          key={editing}
          method={own.find((one) => one.ownId === editing) ?? null}
          close={() => setEditing(null)}
        />
      )}
      {own.length > 0 && <List title="Your own" methods={own} edit={setEditing} />}
      <List title={own.length > 0 ? 'With the program' : ''} methods={ours} />
    </Page>
  )
}

function List({ title, methods, edit }: { title: string; methods: Method[]; edit?: (id: number) => void }) {
  return (
    <Box mb="8">
      {title && (
        <chakra.h2 fontSize="subheading" mb="2">
          {title}
        </chakra.h2>
      )}
      <Grid templateColumns={{ base: '1fr', md: 'repeat(2, minmax(0, 1fr))' }} columnGap="10">
        {methods.map((one) => (
          <Box as="article" key={one.id} borderTop="1px solid" borderColor="line" py="3">
            <Flex align="baseline" gap="3">
              <chakra.h3 fontWeight={700} fontSize="1.05em">
                {one.name}
              </chakra.h3>
              <Text color="faded" fontSize="0.88em" whiteSpace="nowrap">
                {one.least}–{one.most} min{one.resting && ' · rests'}
              </Text>
              <Box flex="1" />
              {edit && one.ownId !== null && (
                <Press
                  look="quiet"
                  minH="30px"
                  aria-label={`Change ${one.name}`}
                  onClick={() => edit(one.ownId!)}
                >
                  Change
                </Press>
              )}
            </Flex>
            <Text fontSize="0.95em">{one.how}</Text>
            <Text fontSize="0.88em" color="faded">
              {one.fits}
              {one.records && one.records !== 'nothing' && ` Recorded: ${one.records}.`}
            </Text>
          </Box>
        ))}
      </Grid>
    </Box>
  )
}
