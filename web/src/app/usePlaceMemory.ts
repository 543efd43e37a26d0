import { useEffect } from 'react'
import { useLocation } from 'react-router'
import { placeOf, type Place } from './places'

const keyOf = (place: Place) => `place:${place.to}`

/** Keeps the view at which one was in each place, so that a return leads there. */
export function usePlaceMemory() {
  const { pathname, search } = useLocation()
  const here = placeOf(pathname)
  useEffect(() => {
    if (here && here.to !== '/') sessionStorage.setItem(keyOf(here), pathname + search)
  }, [here, pathname, search])

  /** Where a press on a place leads: to the view left there; pressed again, to its first. */
  return {
    here,
    leadsTo: (place: Place) =>
      here === place ? place.to : (sessionStorage.getItem(keyOf(place)) ?? place.to),
  }
}
