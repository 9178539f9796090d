import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'
import { describe, expect, it } from 'vitest'

/** Longer files and functions are split, or listed in docs/long-parts.md with the reason. */
const LONGEST_FILE = 250
const LONGEST_FUNCTION = 60

const list = readFileSync('docs/long-parts.md', 'utf8')
const [files, functions] = list.split('## Functions').map((part) => new Set([...part.matchAll(/`([^`]+\.(?:ts|vue))`/g)].map((m) => m[1]!)))

const sources = ['core', 'app', 'server', 'scripts', 'demo'].flatMap((folder) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .map((name) => join(folder, name))
    .filter((name) => /\.(?:ts|vue)$/.test(name) && !/test/.test(name)),
)
const textOf = (name: string) => readFileSync(name, 'utf8')
const linesOf = (text: string) => text.split('\n').length - 1

/** Has a file of TypeScript a function that is longer? */
function hasLongFunction(name: string): boolean {
  const source = ts.createSourceFile(name, textOf(name), ts.ScriptTarget.Latest, true)
  const line = (at: number) => source.getLineAndCharacterOfPosition(at).line
  const isLong = (node: ts.Node): boolean =>
    (ts.isFunctionLike(node) &&
      'body' in node &&
      node.body !== undefined &&
      line(node.end) - line(node.getStart()) + 1 > LONGEST_FUNCTION) ||
    (ts.forEachChild(node, (child) => isLong(child) || undefined) ?? false)
  return isLong(source)
}

describe('what is long is known', () => {
  it('files', () => {
    const long = sources.filter((name) => linesOf(textOf(name)) > LONGEST_FILE)
    expect(
      long.filter((name) => !files!.has(name)),
      'split it, or say why not in docs/long-parts.md',
    ).toEqual([])
    expect(
      [...files!].filter((name) => name !== 'scripts/long-parts.test.ts' && !long.includes(name)),
      'no longer long',
    ).toEqual([])
  })
  it('functions', () => {
    const long = sources.filter((name) => name.endsWith('.ts') && hasLongFunction(name))
    expect(
      long.filter((name) => !functions!.has(name)),
      'split it, or say why not in docs/long-parts.md',
    ).toEqual([])
    expect(
      [...functions!].filter((name) => !long.includes(name)),
      'no longer long',
    ).toEqual([])
  })
})
