import { Box, Text } from '@chakra-ui/react'
import { useEffect, useRef } from 'react'
import type { Schemas } from '../../api/client'
import { useGroove } from '../../sound/useGroove'
import { GrooveGrid } from '../../ui/GrooveGrid'
import { Press } from '../../ui/Press'

interface Props {
  groove: Schemas['Groove']
  tempo: number
  /** Three bars and one made up. */
  ownBar: boolean
  running: boolean
}

/** The groove at hand; G plays it round and round. */
export function StageGroove({ groove, tempo, ownBar, running }: Props) {
  const loop = useGroove(groove)
  const { playing, start, stop } = loop
  const toggle = useRef(() => {})
  useEffect(() => {
    toggle.current = () => (playing ? stop() : void start(tempo, ownBar))
  })
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== 'g' || event.repeat || event.ctrlKey || event.metaKey || event.altKey)
        return
      if (
        event.target instanceof HTMLElement &&
        event.target.closest('input, textarea, select, [role="dialog"]')
      )
        return
      toggle.current()
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [])
  useEffect(() => {
    if (!running) stop()
  }, [running, stop])
  // Another tempo is heard at once.
  useEffect(() => {
    if (playing) void start(tempo, ownBar)
    // A start by itself changes nothing here.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [tempo, ownBar])
  return (
    <Box mt="4" maxW="760px">
      <GrooveGrid groove={groove} dark now={loop.place} />
      <Press mt="2" borderColor="stageEdge" onClick={() => toggle.current()} _hover={{ bg: 'stageHover' }}>
        <Text as="span" fontWeight={700}>
          G
        </Text>
        {playing ? 'stop the groove' : 'hear the groove'}
      </Press>
    </Box>
  )
}
