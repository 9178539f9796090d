import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { draftOnePiece } from '../../demo/one-piece'
import { draftTrousers, FLARED, TAPERED } from '../../demo/trousers'
import { countFaults, faultWords, listFaults } from '../advice'
import { foldPlan, newStop, withId, type Change } from '../changes'
import type { Garment } from '../pattern'
import { garmentOf, polygonPiece, seamOf } from '../pattern/test-pieces'
import { walkGarment } from './index'
import { contextWith } from '../changes/test-context'

const context = contextWith()
const faultsOf = (garment: Garment, plan: Change[] = []) => listFaults(foldPlan(garment, plan, context), contextWith())
const shorten = (leftOut: string[]): Change => ({
  id: 'c',
  kind: 'lengthen',
  on: true,
  note: '',
  inputs: { amountMm: -30, pieceId: 'front', leftOut, levels: [{ id: 'l', share: 1, mark: { by: 'line', id: 'shorten' }, belowMm: 0 }] },
})

/** Two rectangles joined at the side, the second `off` mm longer, its upper corner turned by `slant`. */
function twoPanels(off: number, slant = 0): Garment {
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
      { x: 100, y: slant },
      { x: 100, y: 300 + off + slant },
      { x: 0, y: 300 + off + slant },
    ],
    ['waist', 'side', 'hem', 'centre-back'],
  )
  return garmentOf([a, b], [seamOf('side seam', ['a', 'e1', false], ['b', 'e1', false])])
}

describe('limits of a seam of its own', () => {
  it('go before the general ones, on that seam only', () => {
    const strict = structuredClone(draftBlouse())
    const shape = strict.pieces.find((p) => p.id === 'front')!.shapes.one!
    const [first, ...rest] = shape.edges.shoulder!
    shape.edges.shoulder = [{ ...first!, to: { x: first!.to.x + 0.6, y: first!.to.y } }, ...rest]
    const verdicts = () => Object.fromEntries(walkGarment(strict, 'one').seams.map((s) => [s.seam.id, s.verdict]))
    const seam = strict.seams.find((s) => s.sides.flat().some((r) => r.edgeId === 'shoulder'))!
    const others = { ...verdicts(), [seam.id]: '' }
    expect(verdicts()[seam.id]).toBe('good')
    seam.tolerance = { goodMm: 0.2, easeMm: 0.4 }
    expect(verdicts()[seam.id]).toBe('fault')
    seam.tolerance = { goodMm: 0.2, easeMm: 2 }
    expect(verdicts()[seam.id]).toBe('ease')
    expect({ ...verdicts(), [seam.id]: '' }).toEqual(others)
  })
})

describe('walking seams', () => {
  it.each([
    [0.5, 'good'],
    [1, 'good'],
    [2, 'ease'],
    [3, 'ease'],
    [3.2, 'fault'],
    [-5, 'fault'],
  ] as const)('a side longer by %d mm is %s', (off, verdict) => {
    const [seam] = walkGarment(twoPanels(off), 'one').seams
    expect(seam!.verdict).toBe(verdict)
    expect(seam!.surplusMm).toBeCloseTo(-off, 9)
  })
  it('measures how the edges run through: 20 mm down over 100 is a corner of 11.3 degrees', () => {
    const walked = walkGarment(twoPanels(0, 20), 'one').seams[0]!
    const corner = walked.corners.find((c) => c.id.endsWith('start'))!
    expect(Math.abs(corner.turnDeg)).toBeCloseTo((Math.atan(0.2) * 180) / Math.PI, 6)
    expect(corner.verdict).toBe('fault')
    // It is the waist that turns, not the side that is to be blamed.
    const [fault] = faultsOf(twoPanels(0, 20)).filter((f) => f.id === `corner:${corner.id}`)
    expect([fault!.about, fault!.under]).toEqual(['corner', `edge:${corner.edgeName}`])
    expect(faultWords(countFaults([fault!]))).toBe('1 fault: 1 corner')
    const meant = twoPanels(0, 20)
    meant.pieces[1]!.corners[1]!.designed = true
    expect(walkGarment(meant, 'one').seams[0]!.corners.find((c) => c.id.endsWith('start'))!.verdict).toBe('good')
  })
  it('names a notch that misses its partner, with both places', () => {
    const garment = structuredClone(draftBlouse())
    garment.pieces[1]!.shapes.one!.notches.waist = { from: 'start', distanceMm: 190 }
    const [fault] = faultsOf(garment)
    expect(fault!.message).toMatch(/side seam: notch “waist” lies \{mm 178\.\d+\} along Front.*\{mm 190\} along Back/)
  })
  it('knows cap ease in total and between the marks', () => {
    const seam = walkGarment(draftBlouse(), 'one').seams.find((s) => s.seam.id === 'armhole')!
    expect(seam.surplusMm).toBeCloseTo(22, 3)
    expect(seam.verdict).toBe('good')
    expect(seam.easeByStretch.reduce((s, e) => s + e.surplusMm, 0)).toBeCloseTo(seam.surplusMm, 9)
    expect(seam.easeByStretch.map((e) => Math.abs(Math.round(e.surplusMm)))).toEqual([0, 11, 11, 0])
    const tight = structuredClone(draftBlouse())
    tight.seams.find((s) => s.id === 'armhole')!.wantedEase = { minMm: 26, maxMm: 30 }
    expect(walkGarment(tight, 'one').seams.find((s) => s.seam.id === 'armhole')!.offMm).toBeCloseTo(-4, 3)
  })
  it('measures dart legs', () => {
    const garment = structuredClone(draftBlouse())
    const edges = garment.pieces[0]!.shapes.one!.edges
    const tip = { x: 130, y: 300 }
    edges['dart-upper'] = [{ kind: 'line', from: edges['dart-upper']![0]!.from, to: tip }]
    edges['dart-lower'] = [{ kind: 'line', from: tip, to: edges['dart-lower']![0]!.to }]
    const walked = walkGarment(garment, 'one').darts[0]!
    expect(walked.offMm).toBeCloseTo(walked.firstMm - walked.secondMm, 9)
    expect(Math.abs(walked.offMm)).toBeGreaterThan(1)
    expect(faultsOf(garment).some((f) => f.id.startsWith('dart:front'))).toBe(true)
  })
})

describe('the demo garments', () => {
  it('match everywhere, to 0.5 mm, as drafted', () => {
    for (const garment of [draftBlouse(), draftTrousers(TAPERED), draftOnePiece()]) {
      expect(faultsOf(garment)).toEqual([])
      for (const s of walkGarment(garment, 'one').seams) expect(Math.abs(s.offMm)).toBeLessThan(0.5)
    }
  })
  it('the flared trousers have faults, and each offered change mends them: the short side longer, or the long one shorter', () => {
    const garment = draftTrousers(FLARED)
    const faults = faultsOf(garment)
    expect(countFaults(faults)).toMatchObject({ seam: 2, corner: 0 })
    expect(faultWords(countFaults(faults))).toBe('2 faults: 2 seams')
    const ways = faults[0]!.mends.filter((m) => m.how === 'add')
    expect(ways.map((m) => m.label)).toEqual([
      expect.stringMatching(/^Lengthen Back leg alone by/),
      expect.stringMatching(/^Shorten Front leg alone by/),
    ])
    // The draft itself is at fault: what mends it is for everybody who wears it.
    expect(ways.every((m) => m.forEverybody)).toBe(true)
    for (const mend of ways) {
      const plan = [withId(mend.change, 'm')]
      expect(faultsOf(garment, plan)).toEqual([])
      // What was mended is promised, and its own doing is not told off.
      const { held, cautions } = foldPlan(garment, plan, context).stops[0]!.applied!
      const evened = held.filter((h) => h.label.endsWith('difference of its sides as wanted'))
      expect(evened.map((h) => [h.held, h.before])).toEqual([
        [true, 0],
        [true, 0],
      ])
      expect(held.filter((h) => !h.held)).toEqual([])
      expect(cautions.map((c) => c.code)).toContain('evens-seam')
      expect(cautions.filter((c) => c.mend)).toEqual([])
    }
  })
  it('a side made longer than the fault was is no evened seam: that it was left alone is said', () => {
    const garment = draftTrousers(FLARED)
    const [way] = faultsOf(garment)[0]!.mends
    if (way?.how !== 'add' || way.change.kind !== 'lengthen') throw new Error('expected a new length')
    const more = newStop('lengthen', { ...way.change.inputs, amountMm: way.change.inputs.amountMm + 4 })
    const { cautions, held } = foldPlan(garment, [withId(more, 'm')], context).stops[0]!.applied!
    expect(cautions.map((c) => c.code)).toContain('partner-left-out')
    expect(held.some((h) => !h.held)).toBe(true)
  })
  it('a partner left out is named, and including it again is the first mend', () => {
    const faults = faultsOf(draftBlouse(), [shorten(['back'])])
    const side = faults.find((f) => f.id === 'side:length')!
    expect(side.message).toContain('Back, side seam')
    const mend = side.mends[0]!
    if (mend.how !== 'edit') throw new Error('expected an edit')
    expect(faultsOf(draftBlouse(), [mend.change])).toEqual([])
    expect(side.mends.some((m) => m.how === 'off' && m.changeId === 'c')).toBe(true)
  })
  it('a fault that a stop of one fit has made is mended in that fit alone', () => {
    const garment = draftBlouse()
    const notch = newStop('move-notch', { notch: 'front waist', byMm: 12 })
    const moved = [withId(notch, 'n')]
    const fault = faultsOf(garment, moved).find((f) => f.about === 'notch')!
    const mends = fault.mends.filter((m) => m.how === 'add')
    expect(mends.length).toBeGreaterThan(0)
    expect(mends.every((m) => !m.forEverybody && m.change.from === 'match')).toBe(true)
  })
  it('worst first', () => {
    const sizes = faultsOf(draftBlouse(), [shorten(['back'])])
      .filter((f) => !f.id.startsWith('corner') && f.verdict === 'fault')
      .map((f) => f.size)
    expect([...sizes].sort((a, b) => b - a)).toEqual(sizes)
  })
})
