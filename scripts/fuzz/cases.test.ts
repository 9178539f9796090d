import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { PARTS, type Case } from './cases'
import { checkCase } from './check-case'
import { wellRefused } from './live-through'
import { makeCase } from './make-case'
import { smallerCases } from './shrink-case'

const FOLDER = new URL('../../tests/cases/', import.meta.url)

describe('what was found once', () => {
  it.each(readdirSync(FOLDER).filter((f) => f.endsWith('.json')))('%s stays mended', (file) => {
    const { was, case: one } = JSON.parse(readFileSync(new URL(file, FOLDER), 'utf8')) as { was: string; case: Case }
    expect(checkCase(one), `it was: ${was}`).toBeNull()
  })
})

describe('the fuzzer', () => {
  it('makes the same case of the same seed, and of every part', () => {
    for (const part of PARTS) {
      expect(makeCase(part, 7)).toEqual(makeCase(part, 7))
      expect(new Set(Array.from({ length: 6 }, (_, i) => JSON.stringify(makeCase(part, i)))).size).toBeGreaterThan(3)
    }
  })
  it('finds fault where there is one: a refusal without words, or with words of the language', () => {
    const refusal = { code: 'x', where: 'Front', message: 'it is too long.', remedy: 'Make it shorter.' }
    expect(wellRefused(refusal)).toBeNull()
    expect(wellRefused({ ...refusal, remedy: '' })).toMatch(/empty/)
    expect(wellRefused({ ...refusal, message: 'expected number, received undefined' })).toMatch(/not a sentence/)
    expect(wellRefused({ ...refusal, code: 'program-fault' })).toMatch(/failed/)
    expect(wellRefused({ ...refusal, message: '“NaN” is not a length.' })).toBeNull()
  })
  it('makes cases smaller, each of the same part', () => {
    for (const part of PARTS) {
      const one = makeCase(part, 3)
      const size = JSON.stringify(one).length
      for (const smaller of [...smallerCases(one)].slice(0, 20)) {
        expect(smaller.part).toBe(part)
        expect(JSON.stringify(smaller).length).toBeLessThan(size)
      }
    }
  })
})
