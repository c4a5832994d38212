import { say } from '@/words'
import type { Schemas } from '@/shared/api'

export type Role = Schemas['InviteRequest']['role'] & string
export const ROLES: readonly (readonly [Role, string])[] = [
  ['owner', say('people.owner')],
  ['coach', say('people.coach')],
  ['read_only', say('people.reads_only')],
]
