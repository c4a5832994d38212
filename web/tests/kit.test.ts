import { describe, expect, it, vi } from 'vitest'
import type * as Api from '@/shared/api'

const server = vi.hoisted(() => ({
  put: vi.fn<(path: string, options: { body: { items: string[] } }) => Promise<unknown>>(() =>
    Promise.resolve({ data: {}, response: new Response() }),
  ),
}))
vi.mock('@/shared/api', async (original) => ({
  ...(await original<typeof Api>()),
  client: {
    PUT: server.put,
    GET: (path: string) =>
      Promise.resolve({
        data:
          path === '/api/variations'
            ? { kit: { pins: 'pins in a rack', box: 'a box', blocks: 'blocks' } }
            : { items: ['box'], found: ['pins'] },
        response: new Response(),
      }),
  },
}))
const { default: Kit } = await import('@/stages/gym/Kit.vue')
const { mounted } = await import('./mounting')

type Box = HTMLInputElement
async function boxes(mayWrite = true) {
  const shown = mounted(Kit, { mayWrite })
  await vi.waitFor(() => expect(shown.findAll('input')).toHaveLength(3))
  await vi.waitFor(() => expect((shown.findAll('input')[1]!.element as Box).checked).toBe(true))
  return {
    shown,
    state: () =>
      shown.findAll('input').map(({ element }) => [(element as Box).checked, (element as Box).disabled]),
  }
}

describe('what the gym owns', () => {
  it('ticks what was said and, for good, what racks and bars show by themselves', async () => {
    const { shown, state } = await boxes()
    expect(state()).toEqual([
      [true, true],
      [true, false],
      [false, false],
    ])
    expect(shown.findAll('label')[0]!.text()).toContain('found among bars, racks and plates')
  })
  it('keeps what is ticked', async () => {
    const { shown, state } = await boxes()
    await shown.findAll('input')[2]!.trigger('change')
    await shown.findAll('input')[1]!.trigger('change')
    expect(state()).toEqual([
      [true, true],
      [false, false],
      [true, false],
    ])
    await shown.find('form').trigger('submit')
    expect(server.put.mock.calls.at(-1)![1].body.items).toEqual(['blocks'])
    await vi.waitFor(() => expect(shown.text()).toContain('Kept.'))
  })
  it('shows a reader all of it and lets nothing be changed', async () => {
    const { shown, state } = await boxes(false)
    expect(state().every(([, disabled]) => disabled)).toBe(true)
    expect(shown.find('.v-btn').exists()).toBe(false)
  })
})
