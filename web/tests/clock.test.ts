// @vitest-environment node
import { describe, expect, it, beforeEach, vi } from 'vitest'
import { nextTick } from 'vue'
import { fetchOnTheClock } from '@/shared/api'
import { clockTrouble, heardDate, now, today } from '@/shared/clock'
import { bodyOf, freshDraft } from '@/stages/log/draft'

const DEVICE = new Date('2026-11-27T12:00:00Z')
const heard = (server: string, tookMs = 100) =>
  heardDate(new Date(server).toUTCString(), DEVICE.getTime() - tookMs, DEVICE.getTime())

describe('a wrong clock', () => {
  beforeEach(() => {
    vi.setSystemTime(DEVICE)
    heard('2026-11-27T12:00:00Z')
  })

  it('of a device an hour fast is told, and what is logged gets the right time', async () => {
    heard('2026-11-27T11:00:00Z')
    await nextTick()
    expect(clockTrouble.value).toContain('60 minutes fast')
    expect(Math.abs(now().getTime() - Date.parse('2026-11-27T11:00:00Z'))).toBeLessThan(1500)
    const logged = Date.parse(bodyOf(freshDraft({ performed_at: null })).performed_at)
    expect(Math.abs(logged - Date.parse('2026-11-27T11:00:00Z'))).toBeLessThan(1500)
  })

  it('of a device two days slow moves its today too', () => {
    heard('2026-11-29T12:00:00Z')
    expect(clockTrouble.value).toContain('2 days slow')
    expect(today()).toBe('2026-11-29')
  })

  it('is right again once it was set', () => {
    heard('2026-11-27T09:00:00Z')
    heard('2026-11-27T12:00:20Z')
    expect(clockTrouble.value).toBe('')
    expect(now().getTime()).toBe(DEVICE.getTime())
  })

  it('is told by what the service worker never keeps, and by nothing that it may have kept', async () => {
    const old = { status: 200, headers: { Date: 'Fri, 27 Nov 2026 08:00:00 GMT' } }
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('[]', old)))
    await fetchOnTheClock(new Request('http://pavrik.test/api/floor'))
    expect(clockTrouble.value).toBe('')
    await fetchOnTheClock(new Request('http://pavrik.test/api/health'))
    expect(clockTrouble.value).toContain('4 hours fast')
    vi.unstubAllGlobals()
  })

  it('is not believed of a slow answer, nor of one without a date', () => {
    heard('2026-11-27T11:00:00Z', 9000)
    heardDate(null, DEVICE.getTime(), DEVICE.getTime())
    expect(clockTrouble.value).toBe('')
  })
})
