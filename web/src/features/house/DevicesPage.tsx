import { Box, Flex, Input, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { api, ask, client, type Schemas } from '../../api/client'
import { Field } from '../../ui/Field'
import { Form } from '../../ui/Form'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { QrCode } from './QrCode'

/** Tablets and phones in the house: how one is paired, and which are. */
export function DevicesPage() {
  const about = api.useQuery('get', '/api/about')
  if (!about.data) return <Outline />
  return (
    <Page title="Devices">
      {about.data.isGuest ? (
        <Empty>Devices are paired and removed on the machine on which the program runs.</Empty>
      ) : (
        <Here />
      )}
    </Page>
  )
}

function Here() {
  const devices = api.useQuery('get', '/api/devices')
  if (!devices.data) return null
  return (
    <>
      <Text maxW="72ch" mb="4" color="faded">
        A tablet on the music stand, a phone for a spare minute: other devices in the house can use the
        program, once each of them was paired here. Nothing leaves the house, and who is not paired sees
        nothing.
      </Text>
      {devices.data.isOn ? <Pairing devices={devices.data} /> : <Off />}
      <Box as="section" aria-label="Paired devices" borderTop="1px solid" borderColor="line" mt="6" pt="3">
        <chakra.h2 fontSize="heading" mb="1">
          Paired devices
        </chakra.h2>
        {devices.data.devices.length === 0 ? (
          <Empty>The devices that you pair will stand here, to be named and removed.</Empty>
        ) : (
          <chakra.ul listStyleType="none">
            {devices.data.devices.map((device) => (
              <Device key={device.id} device={device} changed={() => devices.refetch()} />
            ))}
          </chakra.ul>
        )}
      </Box>
    </>
  )
}

function Off() {
  return (
    <Box borderLeft="4px solid" borderColor="accent" pl="4">
      <Text>
        The program listens to this machine only. Stop it and start it with{' '}
        <chakra.code fontWeight={700}>./run --house</chakra.code> to let other devices in.
      </Text>
    </Box>
  )
}

function Pairing({ devices }: { devices: Schemas['DevicesView'] }) {
  const [code, setCode] = useState<Schemas['CodeView']>()
  const { problem, run } = useProblem()
  return (
    <Box>
      <Press
        look="strong"
        onClick={() => run(async () => setCode(await ask(client.POST('/api/devices/code'))))}
      >
        {code ? 'Make another code' : 'Pair a device'}
      </Press>
      <Refusal problem={problem} />
      {code && (
        <Flex gap="8" wrap="wrap" mt="4" align="flex-start">
          <QrCode rows={code.picture} label={`The address ${code.address} as a picture`} />
          <Box flex="1 1 320px" maxW="60ch">
            <Text>Point the camera of the device at the picture, or open</Text>
            <Text fontWeight={700} overflowWrap="anywhere">
              {devices.addresses[0]}
            </Text>
            <Text mt="2">and type</Text>
            <Text fontSize="2.2rem" fontWeight={700} fontVariantNumeric="tabular-nums" aria-live="polite">
              {code.code}
            </Text>
            <Text color="faded">
              The code counts for one device and {code.minutes} minutes. The browser there will warn once: the
              certificate was made on this machine and nobody else vouches for it. Its fingerprint begins with{' '}
              {devices.fingerprint.slice(0, 23)}.
            </Text>
          </Box>
        </Flex>
      )}
    </Box>
  )
}

function Device({ device, changed }: { device: Schemas['DeviceView']; changed: () => Promise<unknown> }) {
  const [name, setName] = useState(device.name)
  const { problem, run } = useProblem()
  const path = { params: { path: { id: device.id } } }
  const rename = async () => {
    if (await run(() => ask(client.PUT('/api/devices/{id}', { ...path, body: { name } })))) await changed()
  }
  const remove = async () => {
    if (await run(() => ask(client.DELETE('/api/devices/{id}', path)))) await changed()
  }
  return (
    <chakra.li borderTop="1px solid" borderColor="line" py="3">
      <Form problem={problem} submit={rename} display="flex" gap="3" flexWrap="wrap" alignItems="flex-end">
        <Field label="called" name="name" width="280px">
          <Input value={name} onChange={(event) => setName(event.target.value)} />
        </Field>
        {name !== device.name && <Press type="submit">Keep the name</Press>}
        <Text flex="1 1 220px" color="faded" pb="2">
          {device.words}
        </Text>
        <Press aria-label={`Remove ${device.name}`} onClick={remove}>
          Remove
        </Press>
        <Refusal />
      </Form>
    </chakra.li>
  )
}
