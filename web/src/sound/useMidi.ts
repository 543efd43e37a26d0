import { useEffect, useRef, useState } from 'react'

/** Whether notes come from a keyboard: none asked for, none there, there by name, or gone while it was listened to. */
export type Midi =
  | { state: 'off' }
  | { state: 'none'; why: string }
  | { state: 'on'; name: string }
  | { state: 'gone'; name: string }

const noteOn = 0x90

/**
 * Notes from a MIDI keyboard.
 * @param wanted whether it is listened to
 * @param note told the MIDI note and how many milliseconds ago it went down
 */
export function useMidi(wanted: boolean, note: (midi: number, agoMs: number) => void): Midi {
  const [midi, setMidi] = useState<Midi>({ state: 'off' })
  const latest = useRef(note)
  useEffect(() => {
    latest.current = note
  })
  useEffect(() => {
    if (!wanted) return
    let access: MIDIAccess | null = null
    let left = false
    const heard = (event: MIDIMessageEvent) => {
      const [status = 0, key = 0, strength = 0] = event.data ?? []
      if ((status & 0xf0) === noteOn && strength > 0)
        latest.current(key, Math.max(0, performance.now() - event.timeStamp))
    }
    const look = () => {
      if (!access || left) return
      const ports = [...access.inputs.values()].filter((port) => port.state === 'connected')
      for (const port of ports) port.onmidimessage = heard
      setMidi((before) =>
        ports[0]
          ? { state: 'on', name: ports[0].name ?? 'a keyboard' }
          : before.state === 'on' || before.state === 'gone'
            ? { state: 'gone', name: before.name }
            : {
                state: 'none',
                why: 'No keyboard is connected. Connect one and switch it on; it is found by itself.',
              },
      )
    }
    const ask = async () => {
      const none = (why: string) => !left && setMidi({ state: 'none', why })
      if (!navigator.requestMIDIAccess)
        return none('This browser cannot listen to a MIDI keyboard. Mark it by key, or tap the rhythm.')
      try {
        access = await navigator.requestMIDIAccess()
      } catch {
        return none(
          'This browser was not allowed to listen to a MIDI keyboard. Allow it for this page, or mark it by key.',
        )
      }
      access.onstatechange = look
      look()
    }
    void ask()
    return () => {
      left = true
      if (!access) return
      access.onstatechange = null
      for (const port of access.inputs.values()) port.onmidimessage = null
    }
  }, [wanted])
  return wanted ? midi : { state: 'off' }
}
