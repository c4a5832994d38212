// @vitest-environment node
import { expect, it } from 'vitest'
import { REPLACED } from './replaced'

const FILES = import.meta.glob<string>('./*.test.ts', { query: '?raw', import: 'default', eager: true })

it('a module that a test replaces is itself again in the next file', () => {
  const replaced = Object.values(FILES).flatMap((text) =>
    [...text.matchAll(/^vi\.mock\('([^']+)'/gm)].map((found) => found[1]!),
  )
  expect([...new Set(replaced)].sort()).toEqual(REPLACED)
})
