import { simulated, simulatedMicrophone } from '../../sound/simulated'

const place = 'microphone'

/** The microphone chosen in this browser; empty for the usual one. */
export const chosenMicrophone = () => localStorage.getItem(place) ?? ''
export const chooseMicrophone = (id: string) => localStorage.setItem(place, id)

/**
 * Opens the microphone, or the simulated player that is listened to instead, as it hears: what browsers do for speech (levels that
 * follow by themselves, silenced noise and echo) spoils music.
 * @throws whatever the browser says; `microphoneWords` turns it into a sentence
 */
export async function openMicrophone(): Promise<MediaStream> {
  if (simulated().on) return simulatedMicrophone()
  if (!navigator.mediaDevices?.getUserMedia) throw new DOMException('', 'NotSupportedError')
  const audio = { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 }
  const id = chosenMicrophone()
  try {
    return await navigator.mediaDevices.getUserMedia({
      audio: id ? { ...audio, deviceId: { exact: id } } : audio,
    })
  } catch (error) {
    // The one that was chosen is not plugged in: the usual one does.
    if (id && (error as DOMException).name === 'OverconstrainedError')
      return navigator.mediaDevices.getUserMedia({ audio })
    throw error
  }
}

/** Closes it: its light goes out. */
export function close(stream: MediaStream) {
  for (const track of stream.getTracks()) track.stop()
}

/** Why there is no microphone, and what to do. */
export function microphoneWords(error: unknown) {
  switch ((error as DOMException | undefined)?.name) {
    case 'NotAllowedError':
      return 'This page was not allowed to use the microphone. Allow it in the browser, beside the address; everything else works without.'
    case 'NotFoundError':
      return 'There is no microphone. Connect one; everything else works without.'
    case 'NotReadableError':
      return 'The microphone is held by another program, or does not answer. Close what else records, and try again.'
    case 'NotSupportedError':
      return 'This browser gives no microphone here. A current browser on this machine does, or a paired device over HTTPS.'
    default:
      return 'The microphone could not be opened. Try again, or choose another one under Music, Recordings.'
  }
}
