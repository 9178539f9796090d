import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { draftOnePiece } from '../../demo/one-piece'
import { demoWardrobe } from '../../demo/wardrobe'
import { findKind, foldPlan, withId, type Change } from '../changes'
import type { Garment } from '../pattern'
import { garmentOf, polygonPiece, seamOf } from '../pattern/test-pieces'
import { listFaults, type Mend } from './index'
import { contextWith } from '../changes/test-context'
import { refOf } from '../pattern'

const context = contextWith()
const fold = (garment: Garment, plan: Change[] = []) => foldPlan(garment, plan, context)
const faults = (garment: Garment, plan: Change[] = []) => listFaults(fold(garment, plan), contextWith())

/** The plan after a mend was clicked. */
function mended(plan: Change[], mend: Mend): Change[] {
  if (mend.how === 'add') return [...plan, withId(mend.change, 'mend')]
  if (mend.how === 'edit') return plan.map((c) => (c.id === mend.change.id ? mend.change : c))
  return plan.map((c) => (c.id === mend.changeId ? { ...c, on: false } : c))
}

describe('every mend that is offered', () => {
  const cases: [string, Garment, Change[]][] = demoWardrobe(new Date(0)).projects.map((p) => [p.name, p.garment, p.plan])
  const lengthen = (pieceId: string, leftOut: string[]): Change => ({
    id: 'c',
    kind: 'lengthen',
    on: true,
    note: '',
    inputs: { amountMm: 18, pieceId, leftOut, levels: [{ id: 'l', share: 1, mark: { by: 'line', id: 'shorten' }, belowMm: 0 }] },
  })
  cases.push(['blouse, back left out', draftBlouse(), [lengthen('front', ['back'])]])
  cases.push(['one-piece, front left out', draftOnePiece(), [lengthen('back', ['front'])]])

  it.each(cases)('makes the %s better, and nothing else worse', (_, garment, plan) => {
    const before = faults(garment, plan)
    for (const fault of before)
      for (const mend of fault.mends) {
        const after = faults(garment, mended(plan, mend))
        expect(after.length, `${fault.message} ${mend.label}`).toBeLessThan(before.length)
        expect(after.some((f) => f.id === fault.id)).toBe(false)
      }
  })
})

describe('faults', () => {
  it('of a seam with ease say what was wanted and what was found', () => {
    const garment = structuredClone(draftBlouse())
    garment.seams.find((s) => s.id === 'armhole')!.wantedEase = { minMm: 40, maxMm: 50 }
    const [fault] = faults(garment)
    expect(fault!.message).toMatch(/wanted ease \{mm 40\} to \{mm 50\}, found \{mm 2[12](\.\d+)?\}/)
    expect(fault!.verdict).toBe('fault')
  })
  it('name a corner at the fold, in degrees', () => {
    const peaked = polygonPiece(
      'peak',
      'front',
      [
        { x: 0, y: 0 },
        { x: 100, y: 30 },
        { x: 100, y: 300 },
        { x: 0, y: 300 },
      ],
      ['neck', 'side', 'hem', 'centre-front'],
      { fold: 3 },
    )
    const [fault] = faults(garmentOf([peaked]))
    expect(fault!.message).toMatch(/^peak, neck 0 at the fold: the sewn edge turns a corner of 33°/)
    const mend = fault!.mends[0]!
    expect(mend).toMatchObject({ how: 'add', label: 'True the corner', change: { kind: 'true-corner' } })
    expect(faults(garmentOf([peaked]), mended([], mend))).toEqual([])
  })
  it('of a notch that was moved off offer to move it, or its partner, by just that much', () => {
    const garment = structuredClone(draftBlouse())
    const side = garment.seams.find((s) => s.id === 'side')!
    const [pair] = side.marks.filter(([a]) => 'notchId' in a)
    const [own] = pair!
    if (!('notchId' in own)) throw new Error('the side seam has no notch')
    const piece = garment.pieces.find((p) => p.id === own.pieceId)!
    piece.shapes.one!.notches[own.notchId]!.distanceMm += 9
    const found = faults(garment).filter((f) => f.id.startsWith('side:mark:'))
    expect(found).toHaveLength(1)
    const moves = found[0]!.mends.filter((m) => m.how === 'add' && m.change.kind === 'move-notch')
    expect(moves.map((m) => m.label)).toEqual([expect.stringContaining('Back'), expect.stringContaining('Front')])
    for (const mend of moves) {
      expect(mend.how === 'add' && Math.abs((mend.change.inputs as { byMm: number }).byMm)).toBeCloseTo(9, 0)
      expect(faults(garment, mended([], mend)).some((f) => f.id === found[0]!.id)).toBe(false)
    }
  })
  it('made by a stop offer to switch just that stop off', () => {
    const a = polygonPiece(
      'a',
      'front',
      [
        { x: 0, y: 0 },
        { x: 100, y: 0 },
        { x: 100, y: 300 },
        { x: 0, y: 300 },
      ],
      ['waist', 'side', 'hem', 'centre-front'],
    )
    const b = polygonPiece(
      'b',
      'back',
      [
        { x: 0, y: 0 },
        { x: 100, y: 0 },
        { x: 100, y: 300 },
        { x: 0, y: 300 },
      ],
      ['waist', 'side', 'hem', 'centre-back'],
    )
    const garment = garmentOf([a, b], [seamOf('side seam', ['a', 'e1', false], ['b', 'e1', false])])
    const stop = (id: string, amountMm: number, leftOut: string[]): Change => ({
      id,
      kind: 'lengthen',
      on: true,
      note: '',
      inputs: { amountMm, pieceId: 'a', leftOut, levels: [{ id: 'l', share: 1, mark: { by: 'corner', id: 'c1' }, belowMm: 100 }] },
    })
    const plan = [stop('fine', 10, []), stop('alone', 12, ['b'])]
    const off = faults(garment, plan)
      .flatMap((f) => f.mends)
      .filter((m) => m.how === 'off')
    expect(off.length).toBeGreaterThan(0)
    for (const m of off) expect(m).toMatchObject({ changeId: 'alone' })
  })
  it('of unequal dart legs offer to make them equal, and it does', () => {
    const garment = structuredClone(draftBlouse())
    const { piece, dart } = garment.pieces.flatMap((p) => p.darts.map((d) => ({ piece: p, dart: d })))[0]!
    const unequal = findKind('equal-legs').apply(garment, { dart: refOf(piece.id, dart.id), leg: 'second', growMm: 7 }, context)
    if (!unequal.ok) throw new Error(unequal.problem.message)
    const found = faults(unequal.value.garment).find((f) => f.id === `dart:${piece.id}:${dart.id}`)!
    expect(found.size).toBeCloseTo(7, 1)
    const mend = found.mends.find((m) => m.label.includes('shorter'))!
    expect(faults(unequal.value.garment, mended([], mend)).some((f) => f.id === found.id)).toBe(false)
  })
  it('are none in a garment without seams', () => {
    expect(faults(garmentOf([]))).toEqual([])
  })
})
