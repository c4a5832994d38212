import { beforeEach, describe, expect, it, vi } from 'vitest'
import { fresh, server } from './server'

vi.mock('@/shared/api', async (original) => (await import('./server')).withServer(original))
const { default: ChooseFile } = await import('@/stages/watch/ChooseFile.vue')
const { default: FrameKeys } = await import('@/stages/watch/FrameKeys.vue')
const { default: Tapping } = await import('@/stages/watch/Tapping.vue')
const { default: TrackedFile } = await import('@/stages/watch/TrackedFile.vue')
const { isComplete, stepsOf, tappedOf, tapsOf } = await import('@/stages/watch/taps')
const { filmOf, hold } = await import('@/stages/watch/films')
const { mounted } = await import('./mounting')

beforeEach(fresh)
const SQUAT = {
  plate: [600, 300],
  rim: [630, 340],
  ankle: [640, 690],
  knee: [700, 560],
  hip: [600, 480],
} as const
const squat = () => structuredClone(SQUAT) as unknown as Record<string, [number, number]>

const without = (tapped: Record<string, unknown>, id: string) =>
  Object.fromEntries(Object.entries(tapped).filter(([name]) => name !== id))

describe('what is tapped', () => {
  it('is the near ankle in a squat and the shoulder in a pull; the sleeve where it can be seen', () => {
    expect(
      stepsOf('squat', 'front')
        .map((s) => s.id)
        .slice(-2),
    ).toEqual(['knee_left', 'knee_right'])
    expect(stepsOf('squat', 'rear').at(-1)!.id).toBe('belt')
    expect(stepsOf('deadlift', 'rear').map((s) => s.id)).toEqual([
      'plate_left_top',
      'plate_left_bottom',
      'plate_right_top',
      'plate_right_bottom',
      'ankle_left',
      'ankle_right',
    ])
    const ids = (lift: 'squat' | 'deadlift') => stepsOf(lift).map((s) => s.id)
    expect(ids('squat')).toEqual(['plate', 'rim', 'ankle', 'knee', 'hip', 'sleeve_end'])
    expect(ids('deadlift')).toEqual(['plate', 'rim', 'knee', 'hip', 'shoulder', 'sleeve_end'])
    expect(
      stepsOf('squat')
        .filter((s) => s.optional)
        .map((s) => s.id),
    ).toEqual(['sleeve_end'])
  })
  it('is complete without the sleeve, not without the ankle', () => {
    expect(isComplete('squat', squat())).toBe(true)
    expect(isComplete('squat', without(squat(), 'ankle'))).toBe(false)
    expect(isComplete('deadlift', squat())).toBe(false)
  })
  it('becomes a radius for the server and a rim again', () => {
    const taps = tapsOf(squat())
    expect(taps).toMatchObject({ plate: [600, 300], plate_radius: 50, ankle: [640, 690], shoulder: null })
    expect(tappedOf(taps)).toEqual({ ...squat(), rim: [650, 300] })
    expect(() => tapsOf({ plate: [1, 1] })).toThrow('must be tapped')
  })
})

async function film(lift: 'squat' | 'deadlift' = 'squat', start = {}) {
  const shown = mounted(Tapping, { url: 'blob:film', lift, view: 'side', start, busy: false })
  const video = shown.find('video').element
  Object.defineProperties(video, { videoWidth: { value: 1280 }, videoHeight: { value: 720 } })
  video.getBoundingClientRect = () => new DOMRect(10, 20, 640, 360)
  await shown.find('video').trigger('loadeddata')
  const stage = shown.find('[role=application]')
  return {
    shown,
    stage,
    asked: () => shown.find('.ask').text(),
    button: (name: string) => shown.findAll('button').find((b) => b.text().startsWith(name))!,
  }
}

describe('the picture under the finger', () => {
  it('asks point by point, in the picture’s own pixels', async () => {
    const { shown, stage, asked, button } = await film()
    expect(asked()).toContain('Plate, middle')
    for (const [x, y] of [
      [310, 170],
      [325, 190],
      [330, 365],
      [360, 300],
      [310, 260],
    ])
      await stage.trigger('click', { clientX: x, clientY: y })
    expect(asked()).toContain('End of the sleeve')
    await button('It cannot be seen').trigger('click')
    expect(asked()).toContain('All points are set')
    await button('Track this film').trigger('click')
    expect(shown.emitted('track')![0]).toEqual([
      { plate: [600, 300], rim: [630, 340], ankle: [640, 690], knee: [700, 560], hip: [600, 480] },
      0,
    ])
  })
  it('is tapped by keys as well: arrows by a pixel, with Shift by twenty', async () => {
    const { shown, stage, button } = await film('squat', without(squat(), 'plate'))
    for (const [key, shiftKey] of [
      ['ArrowLeft', true],
      ['ArrowLeft', false],
      ['ArrowUp', true],
      ['ArrowDown', false],
      ['ArrowRight', false],
    ] as const)
      await stage.trigger('keydown', { key, shiftKey })
    await stage.trigger('keydown', { key: 'Enter' })
    await button('Track this film').trigger('click')
    expect(shown.emitted('track')![0]![0].plate).toEqual([620, 341])
  })
  it('is told with the time of the picture in which it was tapped, wherever the film went since', async () => {
    const { shown, stage, button } = await film('squat', without(squat(), 'hip'))
    const keys = shown.findComponent(FrameKeys)
    keys.vm.$emit('shown', 1.5)
    await stage.trigger('click', { clientX: 310, clientY: 260 })
    keys.vm.$emit('shown', 4)
    await button('Track this film').trigger('click')
    expect(shown.emitted('track')![0]![1]).toBe(1.5)
  })
  it('lies where it was pressed in an upright film, which has bars beside it', async () => {
    const { shown, stage, button } = await film('squat', without(squat(), 'hip'))
    const video = shown.find('video').element
    video.getBoundingClientRect = () => new DOMRect(10, 20, 1280, 360)
    await stage.trigger('click', { clientX: 10 + 320 + 300, clientY: 20 + 240 })
    await button('Track this film').trigger('click')
    expect(shown.emitted('track')![0]![0].hip).toEqual([600, 480])
  })
  it('sets a point anew when its name is pressed', async () => {
    const { asked, button } = await film('squat', squat())
    await button('● Knee').trigger('click')
    expect(asked()).toContain('Knee.')
    expect(button('Track this film').attributes('disabled')).toBeDefined()
  })
  it('sends several pictures when only the taps leave the device', async () => {
    const { shown, button } = await film('squat', squat())
    await button('Add another picture').trigger('click')
    expect(button('Only my taps').text()).toBe('Only my taps (1 picture)')
    await button('Only my taps').trigger('click')
    const [pictures, size] = shown.emitted('points')![0]!
    expect(size).toEqual([1280, 720])
    expect(pictures).toMatchObject([{ time_s: 0, tapped: { plate: [600, 300], rim: [630, 340] } }])
  })
  it('is one picture where no film was chosen: read, never tracked', async () => {
    const shown = mounted(Tapping, {
      url: 'blob:picture',
      lift: 'squat',
      view: 'side',
      start: squat(),
      busy: false,
      still: true,
    })
    const picture = shown.find('.stage-film img')
    Object.defineProperties(picture.element, {
      naturalWidth: { value: 1280 },
      naturalHeight: { value: 720 },
    })
    await picture.trigger('load')
    expect(shown.text()).not.toContain('Track this film')
    await shown
      .findAll('button')
      .find((b) => b.text() === 'Read this picture')!
      .trigger('click')
    const [instants, size] = shown.emitted('points')![0] as [{ time_s: number }[], number[]]
    expect([instants.length, instants[0]!.time_s, size]).toEqual([1, 0, [1280, 720]])
  })
  it('says what to do with a film that the browser cannot play', async () => {
    const { shown, asked, button } = await film('squat', squat())
    await shown.find('video').trigger('error')
    expect(asked()).toContain('cannot play the film')
    expect(button('Track this film').attributes('disabled')).toBeDefined()
  })
})

describe('a file', () => {
  const choose = async (shown: ReturnType<typeof mounted>, file: File) => {
    const input = shown.find('input[type=file]')
    Object.defineProperty(input.element, 'files', { value: [file] })
    await input.trigger('change')
  }
  it('is handed on when it is chosen', async () => {
    const shown = mounted(ChooseFile, { name: 'Choose', says: 'a film', accept: 'video/*' })
    const file = new File(['x'], 'set.webm')
    await choose(shown, file)
    expect(shown.emitted('chosen')).toEqual([[file]])
  })
  it('of markers goes up with the names it uses, and is not read before there is a load', async () => {
    const props = { lifterId: 'l', lift: 'deadlift' as const, loadKg: 0, filmedOn: '2026-11-27', styleId: '' }
    const shown = mounted(TrackedFile, props)
    await choose(shown, new File(['time_s'], 'pull.csv'))
    expect(shown.find('[type=submit]').attributes('disabled')).toBeDefined()
    await shown.setProps({ ...props, loadKg: 150 })
    expect(shown.text()).toContain('Marker of the shoulder')
    expect(shown.text()).not.toContain('Marker of the ankle')
    await shown.findAll('input:not([type=file])')[0]!.setValue('BAR_R')
    await shown.find('form').trigger('submit')
    await vi.waitFor(() => expect(shown.emitted('kept')).toHaveLength(1))
    expect(server.posts[0]!.params.query).toMatchObject({
      clip_id: shown.emitted('kept')![0]![0],
      load_kg: 150,
      bar: 'BAR_R',
      shoulder: '',
    })
  })
  it('held for a clip lets go of the one before', () => {
    let made = 0
    URL.createObjectURL = () => `blob:${(made += 1)}`
    URL.revokeObjectURL = vi.fn()
    hold('c', new Blob())
    hold('c', new Blob([], { type: 'image/png' }))
    expect(filmOf('c')).toEqual({ url: 'blob:2', still: true })
    expect(URL.revokeObjectURL).toHaveBeenCalledExactlyOnceWith('blob:1')
    expect(filmOf('other')).toBeUndefined()
  })
})
