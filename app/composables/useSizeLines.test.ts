import { describe, expect, it } from 'vitest'
import { lineOfSize } from './useSizeLines'

describe('the lines of a nest', () => {
  it('are all different for thirty sizes', () => {
    const lines = Array.from({ length: 30 }, (_, i) => JSON.stringify(lineOfSize(i, false)))
    expect(new Set(lines).size).toBe(30)
  })
  it('has the base size as the only whole one', () => {
    expect(lineOfSize(3, true).dash).toBeUndefined()
    for (let i = 0; i < 30; i++) expect(lineOfSize(i, false).dash).toMatch(/^\d/)
  })
})
