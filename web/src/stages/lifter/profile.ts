// A profile as typed: masses and lengths stay text until they are sent, so that nothing typed is lost.
import type { Schemas } from '@/shared/api'

export type Profile = Schemas['ProfileRequest']
export interface TypedProfile extends Omit<Profile, 'mass_kg' | 'stature_m' | 'born_year'> {
  mass: string
  stature: string
  born: string
}

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

export const typed = (profile: Profile, units: Units): TypedProfile => ({
  name: profile.name,
  sex: profile.sex,
  goal: profile.goal,
  training_age: profile.training_age,
  walks_out: profile.walks_out,
  gear: profile.gear,
  history: profile.history,
  mass: units.massOf(profile.mass_kg),
  stature: units.lengthOf(profile.stature_m),
  born: profile.born_year ? String(profile.born_year) : '',
})

/** What is sent; a number that cannot be read becomes 0, which the server refuses beside its field. */
export function untyped(form: TypedProfile, units: Units): Profile {
  return {
    name: form.name.trim(),
    sex: form.sex,
    goal: form.goal,
    training_age: form.training_age,
    walks_out: form.walks_out,
    gear: form.gear,
    history: form.history,
    born_year: form.born ? Number(form.born) || 0 : null,
    mass_kg: units.readMass(form.mass) || 0,
    stature_m: units.readLength(form.stature) || 0,
  }
}
