import { describe, expect, it } from 'vitest'
import RepKeys from '@/stages/log/RepKeys.vue'
import { addFault, addRep, freshDraft } from '@/stages/log/draft'
import { mounted } from './mounting'

const fault = (id: string, name: string, phases: string[]) => ({
  id,
  name,
  lift: 'squat',
  phases,
  seen: `${name} is seen`,
})
const catalogue = {
  faults: [
    fault('hips-rise', 'Hips rise first', ['bottom', 'middle']),
    fault('heels', 'Heels lift', ['bottom']),
    fault('knees', 'Knees cave', ['bottom']),
  ],
  phases: { squat: ['set', 'descent', 'bottom', 'middle'] },
  hidden: ['knees'],
}
const keys = (more: Record<string, unknown> = {}) =>
  mounted(RepKeys, { draft: freshDraft(), catalogue, frequent: [], silenced: [], disabled: false, ...more })
const press = (shown: ReturnType<typeof keys>, ...pressed: string[]) =>
  pressed.map((key) => (shown.vm as unknown as { press(key: string): boolean }).press(key))

describe('the keys of a rep', () => {
  it('take good and missed reps and undo', () => {
    const shown = keys()
    expect(press(shown, 'g', ' ', 'm', 'Backspace', 'x')).toEqual([true, true, true, true, false])
    expect(shown.emitted('rep')).toEqual([['good'], ['good'], ['miss']])
    expect(shown.emitted('undo')).toHaveLength(1)
  })
  it('take a fault in two keys: its phase, then what was seen', async () => {
    const shown = keys()
    press(shown, 'e')
    await shown.vm.$nextTick()
    expect(shown.text()).toContain('bottom, and now what was seen')
    press(shown, '2')
    expect(shown.emitted('fault')).toEqual([[{ fault_id: 'heels', phase: 'bottom' }, false]])
  })
  it('put what this lifter shows most first, and offer it in one touch', async () => {
    const frequent = [{ fault_id: 'heels', phase: 'bottom', count: 4 }]
    const shown = keys({ frequent })
    expect(shown.find('.usual').text()).toContain('bottom, 4 lately')
    press(shown, 'e', '1')
    expect(shown.emitted('fault')![0]).toEqual([{ fault_id: 'heels', phase: 'bottom' }, false])
    await shown.find('.usual button').trigger('click')
    expect(shown.emitted('fault')).toHaveLength(2)
  })
  it('show no fault that a school or the club has put aside', async () => {
    const shown = keys({ silenced: ['heels'] })
    press(shown, 'e')
    await shown.vm.$nextTick()
    expect(shown.findAll('.tile.fault').map((t) => t.text())).toEqual([
      expect.stringContaining('Hips rise first'),
    ])
  })
  it('add a fault to the rep before, then go back to a rep of its own', () => {
    const shown = keys()
    press(shown, 's', 'e', '1', 'e', '1')
    expect(shown.emitted('fault')!.map((call) => call[1])).toEqual([true, false])
  })
  it('leave a phase with escape and ignore digits without one', () => {
    const shown = keys()
    expect(press(shown, '1', 'e', 'Escape', '1')).toEqual([false, true, true, false])
    expect(shown.emitted('fault')).toBeUndefined()
  })
  it('say more about the last fault, within slight and lift-ending', () => {
    const draft = freshDraft()
    addFault(draft, { fault_id: 'heels', phase: 'bottom' }, false)
    const shown = keys({ draft })
    press(shown, '=', '-', '[')
    expect(shown.emitted('change')).toEqual([[{ severity: 3 }], [{ severity: 1 }], [{ side: 'left' }]])
    draft.faults[0]!.severity = 3
    press(keys({ draft }), '=')
    expect(shown.find('.last').text()).toContain('Heels lift')
  })
  it('do nothing for a coach who may only read', () => {
    const shown = keys({ disabled: true })
    expect(press(shown, 'g', 'e', 'm')).toEqual([false, false, false])
    expect(shown.findAll('button.key').every((b) => b.attributes('disabled') !== undefined)).toBe(true)
  })
  it('mark faulty and missed reps in the row', () => {
    const draft = freshDraft()
    addRep(draft, 'good')
    addFault(draft, { fault_id: 'heels', phase: 'bottom' }, false)
    addRep(draft, 'miss')
    expect(
      keys({ draft })
        .findAll('.rep')
        .map((r) => r.classes().filter((c) => c !== 'rep')),
    ).toEqual([['good'], ['good', 'faulty'], ['miss']])
  })
})
