// The largest use at one step of the way, in words.
import type { Schemas } from '@/shared/api'
import { USE_NAMES, percent } from '@/shared/words'

const NARROW_SPACE = '\u00a0'

export function stopText(way: Schemas['DrawnColumns'], index: number): string {
  const uses = Object.entries(way.use).map(([name, values]) => ({ name, value: values[index] ?? 0 }))
  const most = uses.reduce((a, b) => (b.value > a.value ? b : a), { name: '', value: 0 })
  return most.name
    ? `${USE_NAMES[most.name] ?? most.name} ${percent(most.value).replace(' ', NARROW_SPACE)}`
    : ''
}
