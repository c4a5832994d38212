// A draft of a shape of a season: blocks grow and shrink at their end, days begin as the usual ones.
import { expect, it } from 'vitest'
import type { VueWrapper } from '@vue/test-utils'
import DoseCell from '@/stages/shapes/DoseCell.vue'
import SeasonOutline from '@/stages/shapes/SeasonOutline.vue'
import ShapeTable from '@/stages/shapes/ShapeTable.vue'
import {
  blockWeeks,
  copyOf,
  ownId,
  partOn,
  putOn,
  usualDays,
  writeMain,
  writeSide,
  type ShapeText,
} from '@/stages/shapes/shape'
import { mounted } from './mounting'

const DRAFT: ShapeText = {
  name: 'Fives',
  words: 'fives first',
  light_every: 4,
  rotates_weeks: 0,
  days: {},
  main: {
    build: ['5 x 5 @ 6.5', '5 x 5 @ 7'],
    strengthen: ['4 x 3 @ 8'],
    sharpen: ['3 x 2 @ 8'],
    light: ['2 x 4 at 68 %'],
    test: ['1 x 1 @ 9'],
  },
  second: { build: '3 x 5 at 66 %', strengthen: '', sharpen: '', light: '', test: '' },
  volume: {},
}
let page: VueWrapper | undefined

it('a week is added behind the end of a block and taken away there by emptying it', () => {
  const longer = writeMain(DRAFT, 'build', 4, '5 x 5 @ 7.5')
  expect(longer.main.build).toEqual(['5 x 5 @ 6.5', '5 x 5 @ 7', '5 x 5 @ 7.5'])
  expect(blockWeeks(longer)).toBe(3)
  expect(writeMain(longer, 'build', 2, ' ').main.build).toEqual(DRAFT.main.build)
  expect(writeMain(longer, 'build', 0, '').main.build?.[0]).toBe('')
  expect(writeMain(DRAFT, 'test', 0, '').main.test).toEqual([''])
  expect(writeMain(DRAFT, 'build', 5, '').main.build).toEqual(DRAFT.main.build)
  expect(DRAFT.main.build).toHaveLength(2)
})

it('a volume day without any work is none', () => {
  const with_ = writeSide(DRAFT, 'volume', 'build', '2 x 6 @ 7')
  expect(with_.volume).toEqual({ build: '2 x 6 @ 7' })
  expect(writeSide(with_, 'volume', 'build', '').volume).toEqual({})
  expect(writeSide(DRAFT, 'second', 'light', '2 x 3 at 60 %').second.light).toBe('2 x 3 at 60 %')
})

it('days begin as the usual ones, keep the main lift first and go back', () => {
  expect(partOn(DRAFT, '3', 0, 'squat')).toBe('main')
  expect(partOn(DRAFT, '3', 0, 'deadlift')).toBe('')
  const own = putOn(putOn(DRAFT, '3', 0, 'deadlift', 'second'), '3', 2, 'squat', '')
  expect(own.days).toEqual({ 3: [['squat main', 'deadlift second'], ['deadlift main'], ['deadlift second']] })
  expect(putOn(own, '3', 1, 'squat', 'second').days?.[3]?.[1]).toEqual(['deadlift main', 'squat second'])
  expect(usualDays(own, '3').days).toEqual({})
  expect(copyOf(own)).toEqual(own)
})

it('an own shape gets an id of its name that nobody has', () => {
  expect(ownId('Fünfer, früh', new Set())).toBe('own-funfer-fruh')
  expect(ownId('Fives', new Set(['own-fives', 'own-fives-2']))).toBe('own-fives-3')
  expect(ownId('!', new Set())).toBe('own-shape')
})

it('the table says what is wrong in the cell that is wrong, and tells what is written', async () => {
  page = mounted(ShapeTable, {
    modelValue: DRAFT,
    fixed: false,
    problems: [{ where: 'main build 2', words: '“fives” is no sets x reps' }],
  }) as unknown as VueWrapper
  const cell = page.get('[aria-label="build, main day, week 2"]')
  expect(cell.attributes('aria-invalid')).toBe('true')
  expect(page.get('[role="alert"]').text()).toContain('is no sets x reps')
  expect(page.findAll('[aria-label="light, main day, week 2"]')).toHaveLength(0)
  await page.get('[aria-label="strengthen, main day, week 2"]').setValue('4 x 3 @ 8.5')
  const said = page.emitted('update:modelValue')?.at(-1)?.[0] as ShapeText
  expect(said.main.strengthen).toEqual(['4 x 3 @ 8', '4 x 3 @ 8.5'])
  const several = page.get('[aria-label="sharpen, main day, week 1"]')
  await several.setValue('1 x 1 @ 8\n 3 x 2 @ 8.5 \n')
  const both = page.emitted('update:modelValue')?.at(-1)?.[0] as ShapeText
  expect(both.main.sharpen).toEqual(['1 x 1 @ 8; 3 x 2 @ 8.5'])
})

it('what is being typed in a cell is not written over by what it means', async () => {
  page = mounted(DoseCell, {
    modelValue: '4 x 3 @ 8',
    label: 'a cell',
    placeholder: '',
  }) as unknown as VueWrapper
  const area = page.get('textarea')
  await area.setValue('1 x 1 @ 8\n')
  expect(page.emitted('update:modelValue')?.at(-1)).toEqual(['1 x 1 @ 8'])
  await page.setProps({ modelValue: '1 x 1 @ 8' })
  expect((area.element as HTMLTextAreaElement).value).toBe('1 x 1 @ 8\n')
  await page.setProps({ modelValue: '2 x 2 @ 7; 1 x 1 @ 8' })
  expect((area.element as HTMLTextAreaElement).value).toBe('2 x 2 @ 7\n1 x 1 @ 8')
})

it('a shipped shape is read and not written, and grows no empty week', () => {
  page = mounted(ShapeTable, { modelValue: DRAFT, fixed: true, problems: [] }) as unknown as VueWrapper
  expect(page.findAll('textarea')).toHaveLength(0)
  expect(page.text()).toContain('5 x 5 @ 6.5')
  expect(page.text()).not.toContain('week 3')
})

it('the picture says each week in words too', async () => {
  const dose = { words: '5 x 5 @ 7', share: 0.79, reps: 25 }
  const weeks = ['build', 'light', 'test'].map((role, i) => ({
    number: i + 1,
    role,
    main: [dose],
    second: dose,
    volume: null,
  }))
  page = mounted(SeasonOutline, { weeks }) as unknown as VueWrapper
  expect(page.findAll('li').map((li) => li.text())[1]).toBe(
    'light: main 5 x 5 @ 7 (79 %); second day 5 x 5 @ 7',
  )
  await page
    .findAll('g')
    .find((g) => g.find('rect').exists())!
    .trigger('mouseenter')
  expect(page.get('figcaption').text()).toContain('Week 1, build:')
})
