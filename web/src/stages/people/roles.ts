import type { Schemas } from '@/shared/api'

export type Role = Schemas['InviteRequest']['role'] & string
export const ROLES: readonly (readonly [Role, string])[] = [
  ['owner', 'owner'],
  ['coach', 'coach'],
  ['read_only', 'reads only'],
]
