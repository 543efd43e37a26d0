/** What was recorded in pieces does not say how long it is: the browser finds out when it is sent beyond its end. */
export function findLength(event: { currentTarget: HTMLMediaElement }) {
  const media = event.currentTarget
  if (media.duration !== Infinity) return
  const back = () => {
    if (!Number.isFinite(media.duration)) return
    media.removeEventListener('durationchange', back)
    media.currentTime = 0
  }
  media.addEventListener('durationchange', back)
  media.currentTime = 1e9
}
