import { chakra } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'
import { bookQuery } from '../../api/book'
import { findLength } from './findLength'

interface Props {
  recording: Schemas['RecordingView']
  /** On the dark stage. */
  dark?: boolean
}

/** Plays a recording as it is; a film is shown. */
export function Player({ recording, dark }: Props) {
  const media = {
    src: bookQuery(`/api/recordings/${recording.id}/sound`),
    controls: true,
    preload: 'metadata',
    'aria-label': `${recording.title}, ${recording.day}`,
    maxW: '100%',
    onLoadedMetadata: findLength,
  }
  return recording.contentType.startsWith('video/') ? (
    <chakra.video maxH="300px" {...media} />
  ) : (
    <chakra.audio height="42px" css={dark ? { colorScheme: 'dark' } : undefined} {...media} />
  )
}
