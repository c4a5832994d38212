import { describe, expect, it, vi } from 'vitest'
import type * as Api from '@/shared/api'

const PHASES = [['rack', null], ['set', 0], ['descent', 0.5], ['bottom', 1], ['out of the hole', 0.85], ['middle', 0.55], ['finish', 0.25]] as const
vi.mock('@/shared/api', async (original) => ({
  ...(await original<typeof Api>()),
  client: {
    GET: () =>
      Promise.resolve({
        data: [{ id: 'squat', phases: PHASES.map(([id, progress]) => ({ id, progress, computed: progress !== null })) }],
        response: new Response(),
      }),
  },
}))
const { default: Phases } = await import('@/stages/squat/Phases.vue')
const { nearest } = await import('@/shared/useLifts')
const { mounted } = await import('./mounting')

const progress = Array.from({ length: 21 }, (_, i) => i / 20)
const path = { progress, path: { use: { hips: progress.map((p) => p * 0.9), quads: progress.map((p) => 0.3 + 0.1 * p) } } }

describe('the phases of the squat', () => {
  it('are those that the server says the model has poses in, each judged where it says', async () => {
    const shown = mounted(Phases, { path, chosen: null })
    await vi.waitFor(() => expect(shown.findAll('button')).toHaveLength(6))
    const text = shown.findAll('button').map((b) => b.text())
    expect(text[0]).toMatch(/^Set.*Quads 30/)
    expect(text[2]).toMatch(/^Bottom.*Hips 90/)
    expect(text[3]).toMatch(/^Out of the hole.*Hips 7[67]/)
    expect(text[5]).toMatch(/^Finish.*Quads 3[23]/)
  })
  it('marks the chosen one, the bottom without a choice, and gives the choice back by name', async () => {
    const shown = mounted(Phases, { path, chosen: null })
    await vi.waitFor(() => expect(shown.findAll('button')).toHaveLength(6))
    const marked = () => shown.findAll('button').flatMap((b) => (b.classes('on') ? [b.find('span').text()] : []))
    expect(marked()).toEqual(['Bottom'])
    await shown.findAll('button')[4]!.trigger('click')
    await shown.findAll('button')[2]!.trigger('click')
    expect(shown.emitted('choose')).toEqual([['middle'], [null]])
    await shown.setProps({ chosen: 'middle' } as never)
    expect(marked()).toEqual(['Middle'])
  })
  it('stands there without numbers until the path is known', async () => {
    const shown = mounted(Phases, { path: null, chosen: null })
    await vi.waitFor(() => expect(shown.findAll('button')).toHaveLength(6))
    expect(shown.text()).not.toContain('%')
  })
})

describe('the nearest step', () => {
  it('is found whatever lies around it', () => {
    expect(nearest([0, 0.25, 0.5, 0.75, 1], 0.55)).toBe(2)
    expect(nearest([0, 1], 0.8)).toBe(1)
    expect(nearest([], 0.3)).toBe(0)
  })
})
