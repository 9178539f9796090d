import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readSvg } from '../formats'
import { checkGarment } from '../pattern'
import { assemble, isUnnamed, makeDrafts, type PieceDraft } from './index'

/** The outlines of a file of the demo with every edge named, or said to have no name. */
function drafts(file: string): PieceDraft[] {
  const read = readSvg(readFileSync(`demo/outside/${file}`, 'utf8'))
  const found = read.ok ? makeDrafts(read.value, 1) : read
  if (!found.ok) throw new Error(found.problem.message)
  return found.value
    .filter((d) => !d.aside && !d.trouble)
    .map(({ draft }) => ({ ...draft, edges: draft.edges.map((e) => (isUnnamed(e) ? { ...e, isPlain: true } : e)) }))
}
const skirt = drafts('harbour-skirt-nested.svg')
const waistcoat = drafts('pedlars-waistcoat.svg')

describe('drafts as one garment', () => {
  it('are all in it in all their sizes, sewn as proposed, and it is sound', () => {
    const { garment, seams, problems } = assemble(skirt)
    expect(problems).toEqual([])
    expect(garment.pieces.map((p) => p.id).sort()).toEqual(skirt.map((d) => d.id).sort())
    expect(garment.sizes.length).toBe(1 + skirt[0]!.sizes.length)
    expect(seams.length).toBeGreaterThan(0)
    expect(checkGarment({ ...garment, seams })).toBeNull()
  })
  it('wait where an edge has no name yet, and nothing else is kept waiting', () => {
    const [first, ...others] = skirt as [PieceDraft, ...PieceDraft[]]
    const unnamed = { ...first, edges: first.edges.map((e, i) => (i === 0 ? { ...e, role: 'other' as const, isPlain: false } : e)) }
    const { garment, problems } = assemble([unnamed, ...others])
    expect(garment.pieces.map((p) => p.id).sort()).toEqual(others.map((d) => d.id).sort())
    expect(problems).toEqual([])
  })
  it('that cannot be built say why, by their ids', () => {
    const [first, ...others] = waistcoat as [PieceDraft, ...PieceDraft[]]
    const { garment, problems } = assemble([{ ...first, grain: null }, ...others.map((d) => ({ ...d, grain: d.grain ?? first.grain }))])
    expect(problems.map(([id]) => id)).toEqual([first.id])
    expect(problems[0]![1].message).toContain('grain')
    expect(garment.pieces.some((p) => p.id === first.id)).toBe(false)
  })
  it('of nothing are a garment of no pieces', () => {
    expect(assemble([])).toMatchObject({ garment: { pieces: [], seams: [] }, seams: [], forCups: [], problems: [] })
  })
  it('do not depend on the order in which they come', () => {
    const [one, other] = [assemble(skirt), assemble([...skirt].reverse())]
    expect(other.garment.pieces.map((p) => p.id).sort()).toEqual(one.garment.pieces.map((p) => p.id).sort())
    expect(other.seams.map((s) => s.name).sort()).toEqual(one.seams.map((s) => s.name).sort())
  })
})

describe('an edge without a name', () => {
  it('is one that is neither named nor said to have none', () => {
    expect(isUnnamed({ role: 'other' })).toBe(true)
    expect(isUnnamed({ role: 'other', isPlain: false })).toBe(true)
    expect(isUnnamed({ role: 'other', isPlain: true })).toBe(false)
    expect(isUnnamed({ role: 'hem' })).toBe(false)
  })
})
