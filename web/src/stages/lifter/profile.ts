// A profile as typed: masses and lengths stay text until they are sent, so that nothing typed is lost.
import type { Schemas } from '@/shared/api'

export type Profile = Schemas['ProfileRequest']
type Numbers = 'mass_kg' | 'stature_m' | 'born_year'
/** What a form leaves out the server fills with its usual value. */
type Said = Pick<Profile, 'name' | 'sex'> & Partial<Omit<Profile, Numbers>>
export type TypedProfile = Said & { mass: string; stature: string; born: string }

export const emptyProfile = (): TypedProfile => ({
  name: '',
  sex: 'female',
  mass: '',
  stature: '',
  born: '',
  goal: 'competition',
  training_age: 'trained',
  walks_out: true,
  gear: 'raw',
  history: '',
})

interface Units {
  massOf: (kg: number) => string
  lengthOf: (m: number) => string
  readMass: (text: string) => number
  readLength: (text: string) => number
}

export function typed({ mass_kg, stature_m, born_year, ...said }: Profile, units: Units): TypedProfile {
  return {
    ...said,
    mass: units.massOf(mass_kg),
    stature: units.lengthOf(stature_m),
    born: born_year ? String(born_year) : '',
  }
}

/** What is sent; a number that cannot be read becomes 0, which the server refuses beside its field. */
export function untyped({ mass, stature, born, ...said }: TypedProfile, units: Units) {
  return {
    ...said,
    name: said.name.trim(),
    born_year: born ? Number(born) || 0 : null,
    mass_kg: units.readMass(mass) || 0,
    stature_m: units.readLength(stature) || 0,
  } as Profile
}
