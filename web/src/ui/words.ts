const weekday = new Intl.DateTimeFormat('en-GB', { weekday: 'long' })
const dateAlone = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' })
const shortDay = new Intl.DateTimeFormat('en-GB', { weekday: 'short' })
const dayAndMonth = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' })

const asDate = (day: string) => new Date(`${day}T12:00:00`)

export const weekdayOf = (day: string) => weekday.format(asDate(day))

/** The weekdays, Monday first. */
export const weekdays = Array.from({ length: 7 }, (_, day) => shortDay.format(new Date(2031, 2, 3 + day)))

/** Its weekday, 0 for Monday. */
export const weekdayNumber = (day: string) => (asDate(day).getDay() + 6) % 7

/** "3 Mar". */
export const sayDate = (day: string) => dateAlone.format(asDate(day))

const clockTime = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })

/** A moment as the time of day here: "18:05". */
export const sayTime = (moment: string) => clockTime.format(new Date(moment))

/** A date as people say it: "Tue 3 Mar, in 9 days". */
export function sayDay(day: string, today?: string) {
  const said = dayAndMonth.format(asDate(day)).replace(',', '')
  if (!today) return said
  const days = Math.round((asDate(day).getTime() - asDate(today).getTime()) / 86400000)
  return `${said}, ${sayDistance(days)}`
}

/** The day so many days later, as it is written: "2031-05-21". */
export function dayAfter(day: string, days = 1) {
  const later = asDate(day)
  later.setDate(later.getDate() + days)
  return [later.getFullYear(), later.getMonth() + 1, later.getDate()]
    .map((part) => String(part).padStart(2, '0'))
    .join('-')
}

export function sayDistance(days: number) {
  if (days === 0) return 'today'
  if (days === 1) return 'tomorrow'
  if (days === -1) return 'yesterday'
  return days > 0 ? `in ${days} days` : `${-days} days ago`
}

const beats: Record<string, string> = { half: '𝅗𝅥', quarter: '♩', eighth: '♪', 'dotted quarter': '♩.' }

export const sayTempo = (tempo: number, beat: string) => `${beats[beat] ?? '♩'} = ${tempo}`

/** "bar 3", "bars 3–4". */
export const sayBars = ({ from, to }: { from: number; to: number }) =>
  from === to ? `bar ${from}` : `bars ${from}–${to}`

export const sayMinutes = (minutes: number) => (minutes === 1 ? '1 minute' : `${minutes} minutes`)

const numbers = [
  'Zero',
  'One',
  'Two',
  'Three',
  'Four',
  'Five',
  'Six',
  'Seven',
  'Eight',
  'Nine',
  'Ten',
  'Eleven',
  'Twelve',
  'Thirteen',
  'Fourteen',
  'Fifteen',
  'Sixteen',
  'Seventeen',
  'Eighteen',
  'Nineteen',
]
const tens = ['', '', 'Twenty', 'Thirty', 'Forty', 'Fifty', 'Sixty', 'Seventy', 'Eighty', 'Ninety']

/** "Thirty", "Forty-five"; figures above ninety-nine. */
export function sayNumber(value: number) {
  if (value < 20) return numbers[value] ?? String(value)
  if (value > 99) return String(value)
  const unit = value % 10
  return unit === 0
    ? (tens[value / 10] ?? '')
    : `${tens[Math.floor(value / 10)]}-${numbers[unit]?.toLowerCase()}`
}

/** "2:42" of seconds. */
export function sayClock(seconds: number) {
  const whole = Math.max(0, Math.ceil(seconds))
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}
