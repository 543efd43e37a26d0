import { useEffect, useRef } from 'react'
import { api } from '../api/client'
import { usePracticeDay } from '../api/practiceDay'

/** Looked at so often, in milliseconds. */
const pause = 30_000

/** Minutes after the hour within which it is still worth saying. */
const lateMinutes = 10

/** Whether the hour has come, and has not long gone by. */
export function isTime(hour: string, now: Date) {
  const [hours, minutes] = hour.split(':').map(Number)
  const since = now.getHours() * 60 + now.getMinutes() - ((hours ?? 0) * 60 + (minutes ?? 0))
  return since >= 0 && since < lateMinutes
}

/** Says once a day that it is time, where that is wished and the browser allows it; only while a tab is open. */
export function useReminder() {
  const today = usePracticeDay()
  const isAllowed = 'Notification' in window && Notification.permission === 'granted'
  const reminder = api.useQuery('get', '/api/week/reminder', undefined, {
    enabled: isAllowed,
    refetchInterval: pause,
    throwOnError: false,
  }).data
  const saidOn = useRef('')
  useEffect(() => {
    if (!isAllowed || !reminder?.hour) return
    const look = () => {
      if (saidOn.current === today || !isTime(reminder.hour, new Date())) return
      saidOn.current = today
      new Notification('Time to play', {
        body: reminder.first ? `You begin with: ${reminder.first}` : undefined,
        tag: `practice-${today}`,
      })
    }
    look()
    const timer = setInterval(look, pause)
    return () => clearInterval(timer)
  }, [isAllowed, reminder, today])
}
