// Shows and reads numbers in the coach's units; everything kept and sent is kg, m and degrees.
import { computed } from 'vue'
import { useSession } from './session'

const KG_PER_LB = 0.45359237
const M_PER_IN = 0.0254

const number = (value: number, digits: number) =>
  value
    .toFixed(digits)
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '')

export function massText(kg: number, unit: 'kg' | 'lb', digits = 1): string {
  return number(unit === 'lb' ? kg / KG_PER_LB : kg, digits)
}

export function lengthText(m: number, unit: 'cm' | 'in', digits = 1): string {
  return number(unit === 'in' ? m / M_PER_IN : m * 100, digits)
}

/** "82.5", "82.5 kg", "182 lb" in kg; NaN when it is no mass. */
export function readMass(text: string, unit: 'kg' | 'lb'): number {
  const match = /^\s*(\d+(?:[.,]\d+)?)\s*(kg|lbs?)?\s*$/i.exec(text)
  if (!match?.[1]) return NaN
  const value = Number(match[1].replace(',', '.'))
  return (match[2] ?? unit).toLowerCase().startsWith('lb') ? value * KG_PER_LB : value
}

/** "43.5", "43.5 cm", "17 in", "5'11" in metres; NaN when it is no length. */
export function readLength(text: string, unit: 'cm' | 'in'): number {
  const feet = /^\s*(\d+)\s*(?:ft|['’])\s*(?:(\d+(?:[.,]\d+)?)\s*(?:in|["”])?)?\s*$/i.exec(text)
  if (feet) return (Number(feet[1]) * 12 + Number((feet[2] ?? '0').replace(',', '.'))) * M_PER_IN
  const match = /^\s*(\d+(?:[.,]\d+)?)\s*(cm|mm|m|in|["”])?\s*$/i.exec(text)
  if (!match?.[1]) return NaN
  const value = Number(match[1].replace(',', '.'))
  const given = (match[2] ?? unit).toLowerCase()
  const metres = { m: 1, cm: 0.01, mm: 0.001, in: M_PER_IN }[given] ?? M_PER_IN
  return value * metres
}

export function useUnits() {
  const { session } = useSession()
  const mass = computed(() => session.value?.mass_unit ?? 'kg')
  const length = computed(() => session.value?.length_unit ?? 'cm')
  return {
    massUnit: mass,
    lengthUnit: length,
    massOf: (kg: number, digits = 1) => massText(kg, mass.value, digits),
    lengthOf: (m: number, digits = 1) => lengthText(m, length.value, digits),
    kg: (kg: number, digits = 1) => `${massText(kg, mass.value, digits)} ${mass.value}`,
    cm: (m: number, digits = 1) => `${lengthText(m, length.value, digits)} ${length.value}`,
    readMass: (text: string) => readMass(text, mass.value),
    readLength: (text: string) => readLength(text, length.value),
  }
}
