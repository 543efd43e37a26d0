import { useEffect } from 'react'

/** The screen stays on while the clock runs. */
export function useAwake(running: boolean) {
  useEffect(() => {
    if (!running || !('wakeLock' in navigator)) return
    let lock: WakeLockSentinel | null = null
    let over = false
    const hold = async () => {
      if (document.visibilityState !== 'visible') return
      try {
        lock = await navigator.wakeLock.request('screen')
        if (over) await lock.release()
      } catch {
        // The system may refuse; practice goes on.
      }
    }
    const again = () => void hold()
    again()
    document.addEventListener('visibilitychange', again)
    return () => {
      over = true
      document.removeEventListener('visibilitychange', again)
      void lock?.release()
    }
  }, [running])
}
