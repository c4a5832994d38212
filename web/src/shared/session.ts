// Who is signed in, and the units the coach reads numbers in.
import { computed, reactive, readonly } from 'vue'
import { answered, client, rememberCsrf, type Schemas } from './api'

type Session = Schemas['SessionAnswer']
const state = reactive<{ session: Session | null; asked: boolean }>({ session: null, asked: false })

export async function loadSession(): Promise<Session | null> {
  try {
    state.session = await answered(client.GET('/api/session'))
    rememberCsrf(state.session.csrf_token)
  } catch {
    state.session = null
  }
  state.asked = true
  return state.session
}

/** Take the copies of the club's data for offline use off this device. */
export async function forgetCopies(): Promise<void> {
  if ('caches' in window) await caches.delete('pavrik-data')
}

export async function signOut(): Promise<void> {
  await answered(client.DELETE('/api/session'))
  state.session = null
  await forgetCopies()
}

export async function switchUnits(mass: Session['mass_unit'], length: Session['length_unit']): Promise<void> {
  await answered(client.PUT('/api/session/units', { body: { mass_unit: mass, length_unit: length } }))
  if (state.session) Object.assign(state.session, { mass_unit: mass, length_unit: length })
}

export function useSession() {
  return {
    session: computed(() => state.session),
    asked: computed(() => state.asked),
    mayWrite: computed(() => state.session?.role !== 'read_only'),
    state: readonly(state),
  }
}
