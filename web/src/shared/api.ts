// The one way to the server: types made from its OpenAPI description, the session's CSRF token on
// every write, an idempotency key where a write takes one, problem+json as an Error.
import { say } from '@/words'
import createClient, { type Middleware } from 'openapi-fetch'
import { v7 as uuid7 } from 'uuid'
import type { components, paths } from './api-types'
import { heardDate } from './clock'

export type Schemas = components['schemas']
/** One entry of a club's own library. */
export type LibraryEntry = Schemas['LibraryFile']['entries'][number]
export { uuid7 }

export interface FieldError {
  path: string
  message: string
}

export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    readonly errors: FieldError[],
  ) {
    super(detail)
  }
}

let csrfToken = ''
export function rememberCsrf(token: string): void {
  csrfToken = token
}

const withToken: Middleware = {
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-CSRF-Token', csrfToken)
    return request
  },
}

/** What the service worker keeps is dated long ago: only what it never keeps tells the time. */
const tellsTheTime = (request: Request) => request.method !== 'GET' || request.url.endsWith('/api/health')

/** Ask the server, and hear what time it is there. */
export async function fetchOnTheClock(request: Request): Promise<Response> {
  const sent = Date.now()
  const response = await fetch(request)
  if (tellsTheTime(request)) heardDate(response.headers.get('Date'), sent, Date.now())
  return response
}

/** Let the server say what time it is. */
export async function askTheTime(): Promise<void> {
  await client.GET('/api/health').catch(() => undefined)
}

export const client = createClient<paths>({ baseUrl: '', fetch: fetchOnTheClock })
client.use(withToken)

interface Outcome<T> {
  data?: T
  error?: unknown
  response: Response
}

/** The data of an answer, or a ProblemError with what the server said. */
export async function answered<T>(outcome: Promise<Outcome<T>>): Promise<T> {
  let result: Outcome<T>
  try {
    result = await outcome
  } catch {
    throw new ProblemError(0, say('shared.no_connection'), say('shared.no_connection_to_pavrik_what_you'), [])
  }
  if (result.response.ok) return result.data as T
  const body = (result.error ?? {}) as { title?: string; detail?: string; errors?: FieldError[] }
  throw new ProblemError(
    result.response.status,
    body.title ?? say('shared.something_went_wrong'),
    body.detail ?? say('shared.the_server_answered_what_you_entered', { status: result.response.status }),
    body.errors ?? [],
  )
}

/** Header of a write that may be sent twice and takes effect once. */
export function once(key: string = uuid7()) {
  return { header: { 'Idempotency-Key': key } }
}
