// This device's clock against the server's. A clock that is wrong is told, and what is entered gets the
// right time by the difference that was heard last, without a network too.
import { say } from '@/words'
import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'

const TOLERATED_MS = 2 * 60_000
/** An answer that took longer says too little about when it was given. */
const PROMPT_MS = 5000
/** The server's Date header is cut to whole seconds. */
const HALF_A_SECOND_MS = 500

const behindMs = useLocalStorage('pavrik-clock-behind-ms', 0)

/** Note what an answer says of the time at the server. */
export function heardDate(date: string | null, sentMs: number, receivedMs: number): void {
  const said = Date.parse(date ?? '')
  if (Number.isNaN(said) || receivedMs - sentMs > PROMPT_MS) return
  const behind = said + HALF_A_SECOND_MS - (sentMs + receivedMs) / 2
  behindMs.value = Math.abs(behind) > TOLERATED_MS ? Math.round(behind) : 0
}

/** Now, by the server's clock where this device's is wrong. */
export const now = (): Date => new Date(Date.now() + behindMs.value)

const two = (n: number) => String(n).padStart(2, '0')
export const isoDay = (date: Date) =>
  `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`

/** Today where the coach is, as an ISO date. */
export const today = () => isoDay(now())

function lengthWords(ms: number): string {
  const minutes = Math.round(ms / 60_000)
  if (minutes < 120) return say('shared.minutes', { minutes })
  const hours = Math.round(minutes / 60)
  return hours < 48
    ? say('shared.hours', { hours })
    : say('shared.hours_days', { hours: Math.round(hours / 24) })
}

/** What to tell a coach whose device shows a wrong time; empty where it does not. */
export const clockTrouble = computed(() => {
  if (!behindMs.value) return ''
  const way = behindMs.value > 0 ? 'slow' : 'fast'
  return say('shared.this_devices_clock_is_what_you', {
    behindMs: lengthWords(Math.abs(behindMs.value)),
    way,
  })
})
