import { describe, expect, it } from 'vitest'
import registry from './registry.ts?raw'
import { CHANGE_KINDS } from './registry'

const files = Object.keys(import.meta.glob('./*/*.ts'))
const sources = import.meta.glob<string>('./*/apply.ts', { query: '?raw', import: 'default', eager: true })
const folders = [...new Set(files.map((f) => f.split('/')[1]!))].filter((f) => f !== 'shared')

describe('the folders of the kinds', () => {
  it('are as many as there are kinds, each with one line in the registry', () => {
    expect(folders).toHaveLength(CHANGE_KINDS.length)
    for (const folder of folders) expect(registry.match(new RegExp(`from './${folder}'`, 'g')), folder).toHaveLength(1)
  })
  it.each(folders)('%s has the same files as every other', (folder) => {
    // What several kinds draw alike is drawn, and its promises are measured, in a shared room: apply.ts says which.
    const inShared = /^export \{.*\} from '\.\.\/shared\//m.test(sources[`./${folder}/apply.ts`]!)
    const wanted = ['schema', 'apply', ...(inShared ? [] : ['held']), 'paper-steps', 'index', `${folder}.test`]
    expect(wanted.filter((name) => !files.includes(`./${folder}/${name}.ts`))).toEqual([])
  })
})
