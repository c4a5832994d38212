import { beforeEach, describe, expect, it, vi } from 'vitest'
import { fresh, server } from './server'

vi.mock('@/shared/api', async (original) => (await import('./server')).withServer(original))
const { default: FileIn } = await import('@/shared/FileIn.vue')
const { mounted } = await import('./mounting')

const counts = { kept: 0, new: 1, here: 0, bad: 0, rows: [], dates: null as string | null }
const queries = () => server.posts.map(({ path, params }) => [path, params.query])

async function chosen(dates: string | null) {
  server.answer = { ...counts, dates }
  const shown = mounted(FileIn, { what: 'log', label: 'In', many: 'sets' })
  const input = shown.find('input').element as HTMLInputElement
  Object.defineProperty(input, 'files', { value: [new File(['date'], 'log.csv')] })
  await shown.find('input').trigger('change')
  await vi.waitFor(() => expect(shown.text()).toContain('1 new'))
  return shown
}
const button = (shown: Awaited<ReturnType<typeof chosen>>, text: string) =>
  shown.findAll('button').find((b) => b.text().startsWith(text))!

describe('a table in', () => {
  beforeEach(fresh)

  it('says nothing of dates that can be read one way only', async () => {
    expect((await chosen(null)).text()).not.toContain('first')
  })
  it('tells how the dates of the file are read', async () => {
    const shown = await chosen('day_first')
    expect(shown.text()).toContain('Its dates are read')
    expect(button(shown, 'Day first').attributes('aria-checked')).toBe('true')
  })
  it('asks where a date may be two days, looks again, and keeps what was looked at', async () => {
    const shown = await chosen('ask')
    expect(shown.text()).toContain('which stands first?')
    expect(shown.findAll('[aria-checked="true"]')).toHaveLength(0)
    server.answer = { ...counts, dates: 'month_first' }
    await button(shown, 'Month first').trigger('click')
    await vi.waitFor(() => expect(shown.text()).toContain('Its dates are read'))
    expect(button(shown, 'Month first').attributes('aria-checked')).toBe('true')
    await button(shown, 'Keep 1 sets').trigger('click')
    await vi.waitFor(() => expect(server.posts).toHaveLength(3))
    expect(queries()).toEqual([
      ['/api/log/preview', { dates: undefined }],
      ['/api/log/preview', { dates: 'month_first' }],
      ['/api/log/import', { leave_bad: false, dates: 'month_first' }],
    ])
  })
  it('forgets what was said of another file', async () => {
    const shown = await chosen('ask')
    await button(shown, 'Month first').trigger('click')
    await shown.find('input').trigger('change')
    await vi.waitFor(() => expect(server.posts).toHaveLength(3))
    expect(queries()[2]).toEqual(['/api/log/preview', { dates: undefined }])
  })
})
