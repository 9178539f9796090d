import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { CHANGE_KINDS } from './registry'

const here = new URL('.', import.meta.url)
const read = (name: string) => readFileSync(new URL(name, here), 'utf8')
const folders = readdirSync(here, { withFileTypes: true })
  .filter((f) => f.isDirectory() && f.name !== 'shared')
  .map((f) => f.name)

describe('the folders of the kinds', () => {
  it('are as many as there are kinds, each with one line in the registry', () => {
    const registry = read('registry.ts')
    expect(folders).toHaveLength(CHANGE_KINDS.length)
    for (const folder of folders) expect(registry.match(new RegExp(`from './${folder}'`, 'g')), folder).toHaveLength(1)
  })
  it.each(folders)('%s has the same files as every other', (folder) => {
    const files = readdirSync(new URL(folder, here))
    // What several kinds draw alike is drawn, and its promises are measured, in a shared room: apply.ts says which.
    const inShared = /^export \{.*\} from '\.\.\/shared\//m.test(read(`${folder}/apply.ts`))
    const wanted = ['schema', 'apply', ...(inShared ? [] : ['held']), 'paper-steps', 'index', `${folder}.test`]
    expect(wanted.filter((name) => !files.includes(`${name}.ts`))).toEqual([])
  })
})
