import { useEffect, useMemo, useRef } from 'react'

/**
 * A sound is asked for, and what makes it is loaded first. Whether it is still wanted by then: not when it was stopped, asked
 * for anew or left meanwhile.
 */
export function useWanted() {
  const turn = useRef(0)
  const wanted = useMemo(
    () => ({
      /** It is asked for; the answer says later whether it still is. */
      begin: () => {
        const mine = ++turn.current
        return () => turn.current === mine
      },
      end: () => void turn.current++,
    }),
    [],
  )
  useEffect(() => wanted.end, [wanted])
  return wanted
}
