// The words live in one place: no text in a component, none that nobody says, none without a name.
import { parse } from '@vue/compiler-sfc'
import ts from 'typescript'
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

const known = new Map<string, string>(texts)
const parsed = (source: string) => ts.createSourceFile('a.ts', source, ts.ScriptTarget.Latest, true)

function walk(node: ts.Node, see: (node: ts.Node) => void) {
  see(node)
  node.forEachChild((child) => walk(child, see))
}

/** From an opening bracket to the one that closes it. */
function bracketed(source: string, from: number): string {
  let open = 0
  for (let at = from; at < source.length; at++) {
    open += source[at] === '(' ? 1 : source[at] === ')' ? -1 : 0
    if (open === 0) return source.slice(from, at + 1)
  }
  return ''
}

/** The texts' names in an expression. */
function texted(said: ts.Node): string[] {
  const found: string[] = []
  walk(said, (node) => {
    if (ts.isStringLiteral(node) && /^[a-z]+\.\w+$/.test(node.text)) found.push(node.text)
  })
  return found
}

/** Every text that is said by its name, or by one of two, with the names that it is given. */
function calls(source: string): { name: string; given: string[] }[] {
  return [...source.matchAll(/\b(say|sayMany)(?=\()/g)].flatMap((match) => {
    const by = match[0]
    const found = parsed(by + bracketed(source, match.index + by.length))
      .statements[0] as ts.ExpressionStatement
    const [said, ...more] = (found.expression as ts.CallExpression).arguments
    const named = more.find(ts.isObjectLiteralExpression)
    if (!said || named?.properties.some(ts.isSpreadAssignment)) return []
    const counted = by === 'sayMany' ? ['n', 'count'] : []
    const given = (named?.properties ?? []).map((one) => one.name?.getText() ?? '')
    return texted(said).map((name) => ({ name, given: [...given, ...counted] }))
  })
}

/** Strings of four words and more. */
function sentences(script: string): string[] {
  const found: string[] = []
  walk(parsed(script), (node) => {
    if (!ts.isStringLiteralLike(node) && !ts.isTemplateHead(node) && !ts.isTemplateTail(node)) return
    if (/(\p{L}+,? ){3}\p{L}+/u.test(node.text)) found.push(node.text)
  })
  return found
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

  it.each(files)('get the names that they ask for in %s', (_, source) => {
    const wrong = calls(source).flatMap(({ name, given }) => {
      const text = known.get(name)
      if (text === undefined) return [`${name} is not known`]
      const asked = [...text.matchAll(/\{(\w+)\}/g)].map(([, one]) => one)
      return asked.filter((one) => one && !given.includes(one)).map((one) => `${name} lacks ${one}`)
    })
    expect(wrong).toEqual([])
  })

  it.each(files)('do not stand in the script of %s', (file, source) => {
    const script = file.endsWith('.vue') ? (parse(source).descriptor.scriptSetup?.content ?? '') : source
    expect(sentences(script)).toEqual([])
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
