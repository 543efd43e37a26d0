import { useEffect, useRef } from 'react'
import { useLocation, useNavigationType } from 'react-router'

const name = 'Tuning Fork'

/** The window's title follows the page. */
export function useTitle(title: string) {
  useEffect(() => {
    document.title = title ? `${title} · ${name}` : name
  }, [title])
}

/**
 * What a change of page means to somebody who does not see it: a title of its own, and the focus at the new heading, unless
 * the page has put it into a field. The first page of a visit is left alone.
 */
export function usePageChange<T extends HTMLElement>(title: string) {
  useTitle(title)
  const heading = useRef<T>(null)
  const { key, pathname } = useLocation()
  const how = useNavigationType()
  useEffect(() => {
    if (key === 'default') return
    if (how !== 'POP') window.scrollTo(0, 0)
    const held = document.activeElement
    if (!held || held === document.body || held.closest('nav, header'))
      heading.current?.focus({ preventScroll: true })
    // Once a page: what changes on it later moves nothing.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [pathname])
  return heading
}
