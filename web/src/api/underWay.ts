import type { Middleware } from 'openapi-fetch'
import { useEffect, useState, useSyncExternalStore } from 'react'

/** What lasts no longer than this is not worth a word. */
const SHORT_MS = 1000

const asked = new Set<Request>()
const listeners = new Set<() => void>()

function ended(request: Request) {
  if (asked.delete(request)) listeners.forEach((listener) => listener())
}

/** Knows which questions to the server have no answer yet. */
export const underWay: Middleware = {
  onRequest({ request }) {
    asked.add(request)
    listeners.forEach((listener) => listener())
  },
  onResponse({ request }) {
    ended(request)
  },
  onError({ request }) {
    ended(request)
  },
}

function subscribe(listener: () => void) {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** The question that has waited longest. */
const oldest = () => asked.values().next().value

/** Whether a question to the server has waited for more than a second. */
export function useIsLong() {
  const waiting = useSyncExternalStore(subscribe, oldest)
  const [long, setLong] = useState<Request>()
  useEffect(() => {
    if (!waiting) return
    const timer = setTimeout(() => setLong(waiting), SHORT_MS)
    return () => clearTimeout(timer)
  }, [waiting])
  return waiting !== undefined && long === waiting
}
