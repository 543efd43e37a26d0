import { useCallback, useEffect, useRef } from 'react'

/** So long after a question has come the press still belongs to what was before it. */
export const settleMs = 700

/**
 * The press that ended the music does not answer what is asked after it: for a moment no key does.
 * @param asked what is asked now; anything that changes with the question
 */
export function useSettled(asked: string) {
  const since = useRef(0)
  useEffect(() => {
    since.current = performance.now()
  }, [asked])
  return useCallback((answer: () => void) => {
    if (performance.now() - since.current >= settleMs) answer()
  }, [])
}
