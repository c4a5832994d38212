// A server that answers from a table and keeps what it was asked.
import type * as Api from '@/shared/api'

export const server = {
  gets: {} as Record<string, unknown>,
  /** What answers only when it is told. */
  later: {} as Record<string, Promise<unknown>>,
  refusal: null as { detail: string; errors: { path: string; message: string }[] } | null,
  answer: {} as unknown,
  /** The particulars of every question, by its path. */
  asked: [] as { path: string; query: Record<string, unknown> }[],
  posts: [] as { path: string; body: unknown; params: Record<string, unknown> }[],
}
export function fresh() {
  server.gets = {
    '/api/session': { club: 'Quarry Road', coach: 'Ysolde', csrf_token: 't', role: 'owner' },
  }
  server.later = {}
  server.refusal = null
  server.answer = { ok: true }
  server.asked = []
  server.posts = []
}
const client = {
  GET: async (path: string, options: { params?: { query?: Record<string, unknown> } } = {}) => {
    server.asked.push({ path, query: options.params?.query ?? {} })
    return { data: (await server.later[path]) ?? server.gets[path], response: new Response() }
  },
  POST: (path: string, options: { body?: unknown; params?: Record<string, unknown> } = {}) => {
    server.posts.push({ path, body: options.body, params: options.params ?? {} })
    return Promise.resolve(
      server.refusal
        ? {
            error: { title: 'No', ...server.refusal },
            response: new Response(null, { status: 422 }),
          }
        : { data: server.answer, response: new Response() },
    )
  },
}
/** The module of the API with this server behind it. */
export const withServer = async (original: () => Promise<typeof Api>) => ({
  ...(await original()),
  client: client as never,
})
