import { useQueryErrorResetBoundary } from '@tanstack/react-query'
import { lazy, Suspense, useState, type ComponentType } from 'react'
import { useLocation } from 'react-router'
import { Outline } from '../ui/Outline'
import { Boundary } from './Boundary'

/** A view that is loaded when it is first opened. What cannot be loaded can be tried again. */
export function lazyPage<K extends string>(load: () => Promise<Record<K, ComponentType>>, name: K) {
  const make = () => lazy<ComponentType>(async () => ({ default: (await load())[name] as ComponentType }))
  let known = make()
  return function LazyPage() {
    const [Loaded, setLoaded] = useState(() => known)
    const { pathname } = useLocation()
    const { reset } = useQueryErrorResetBoundary()
    const again = () => {
      reset()
      known = make()
      setLoaded(() => known)
    }
    return (
      <Boundary key={pathname} again={again}>
        <Suspense fallback={<Outline />}>
          <Loaded />
        </Suspense>
      </Boundary>
    )
  }
}

/** A view that comes with the program, because one begins there. */
export function firstPage(View: ComponentType) {
  return function FirstPage() {
    const { reset } = useQueryErrorResetBoundary()
    return (
      <Boundary again={reset}>
        <View />
      </Boundary>
    )
  }
}
