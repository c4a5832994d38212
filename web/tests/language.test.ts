// The words live in one place: no text in a component, none that nobody says, none without a name.
import { parse } from '@vue/compiler-sfc'
import { describe, expect, it } from 'vitest'
import en from '@/words/en'
import { say, sayMany } from '@/words'

const files = Object.entries(
  import.meta.glob<string>('../src/**/*.{vue,ts}', { query: '?raw', import: 'default', eager: true }),
).filter(([file]) => !/api-types|\/words\//.test(file))
const texts = Object.entries(en).flatMap(([stage, of]) =>
  Object.entries(of as Record<string, string>).map(([name, text]) => [`${stage}.${name}`, text] as const),
)

type Part = { type: number; content?: unknown; children?: Part[]; props?: Part[]; name?: string }
type Attribute = Part & { value?: { content: string } }
const [ELEMENT, TEXT, ATTRIBUTE] = [1, 2, 6]
/** Units are the same in every language. */
const UNITS = /\b(kg|cm|mm|lb|RPE)\b/g
const isText = (text: string) => /\p{L}{2}/u.test(text.replace(UNITS, ''))
/** What a person reads or hears. */
const READ = ['aria-label', 'label', 'title', 'placeholder', 'alt', 'hint', 'what', 'over', 'answer']

function told(part: Part): string[] {
  if (part.props?.some((p) => p.name === 'translate')) return []
  const own = part.type === TEXT && isText(String(part.content)) ? [String(part.content).trim()] : []
  const read = (part.props ?? [])
    .filter((p) => p.type === ATTRIBUTE && READ.includes(p.name ?? ''))
    .map((p) => (p as Attribute).value?.content ?? '')
    .filter((text) => /^[A-Z]|\s/.test(text) && isText(text))
  return [
    ...own,
    ...read,
    ...(part.type === ELEMENT || part.children ? (part.children ?? []).flatMap(told) : []),
  ]
}

describe('the words of the page', () => {
  it.each(files.filter(([file]) => file.endsWith('.vue')))('do not stand in %s', (_, source) => {
    const template = parse(source).descriptor.template?.ast
    expect(template ? told(template as unknown as Part) : []).toEqual([])
  })

  it('are all said somewhere', () => {
    const all = files.map(([, source]) => source).join('\n')
    expect(texts.map(([name]) => name).filter((name) => !all.includes(`'${name}'`))).toEqual([])
  })

  it('are named with what they are given', () => {
    const unnamed = files.flatMap(([file, source]) =>
      [...source.matchAll(/say\(\s*'([a-z]+\.\w+)'\s*\)/g)]
        .map(([, name]) => texts.find(([known]) => known === name))
        .filter((found) => found && /\{\w+\}/.test(found[1]))
        .map((found) => `${file}: ${found?.[0]}`),
    )
    expect(unnamed).toEqual([])
  })

  it('are said with names and numbers in them', () => {
    expect(say('measure.take_next', { name: 'thigh' })).toContain('thigh')
    expect(sayMany('people.owners', 1)).toBe('1 owner')
    expect(sayMany('people.owners', 2)).toBe('2 owners')
  })

  it('are read to the end', () => {
    const broken = texts.filter(([name, text]) => {
      const names = [...text.matchAll(/\{(\w+)\}/g)].map(([, one]) => [one, '7'])
      const read = say(name as Parameters<typeof say>[0], Object.fromEntries(names))
      return /[{}]|^\w+\.\w+$/.test(read)
    })
    expect(broken).toEqual([])
  })
})
