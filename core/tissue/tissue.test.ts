import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { askedGiven, planSizes } from '../advice'
import { figureMm, latestSet, type MeasureSet } from '../body'
import { foldPlan, withId } from '../changes'
import { contextWith } from '../changes/test-context'
import { boundsOf, intersectPaths, line } from '../geometry'
import { finishedMm, findZones } from '../measure'
import { bodyLengths } from '../size'
import { bodyFigure, hangPieces, sideLevels, tissueRows } from './index'

const { projects, wearers } = demoWardrobe(new Date('2026-11-23'))
const project = (id: string) => projects.find((p) => p.id === id)!
const setOf = (id: string) => latestSet(wearers.find((w) => w.id === id))!
const without = (set: MeasureSet, ...ids: string[]): MeasureSet => ({
  ...set,
  figures: Object.fromEntries(Object.entries(set.figures).filter(([id]) => !ids.includes(id))),
})

describe('a figure with the wearer’s own levels and widths', () => {
  it.each(wearers.map((w) => [w.name, latestSet(w)!] as const))(
    '%s: as wide as a quarter of each round measure, at its own level',
    (_, set) => {
      for (const view of ['front', 'back'] as const) {
        const figure = bodyFigure(set, view)
        for (const id of ['waist', 'hip'] as const) {
          const level = figure.levels[id]
          const met = intersectPaths(figure.half, [line({ x: 0.5, y: level }, { x: 2000, y: level })])
          const out = Math.max(...met.map((m) => m.point.x))
          expect(Math.abs(out - figureMm(set, id)! / 4), id).toBeLessThan(1)
        }
        expect(figure.levels.top).toBe(-figureMm(set, view === 'front' ? 'front-to-waist' : 'back-neck-to-waist')!)
        expect(figure.levels.hip).toBe(figureMm(set, 'waist-to-hip'))
        expect(figure.guessed).toEqual([])
        for (const s of figure.half) expect(Number.isFinite(s.from.x + s.from.y + s.to.x + s.to.y)).toBe(true)
      }
    },
  )
  it('draws what was not taken as it usually is, and says so', () => {
    const figure = bodyFigure(without(setOf('cook'), 'hip', 'waist-to-hip'), 'front')
    expect(figure.guessed.sort()).toEqual(['hip', 'waist-to-hip'])
    expect(figure.levels.hip).toBeGreaterThan(100)
  })
})

describe('pieces hung on it', () => {
  it.each(['demo-blouse', 'demo-dress', 'demo-jacket', 'demo-tunic'])(
    '%s: hangs from shoulder and nape; its waist is off by what the length misses',
    (id) => {
      const { garment } = project(id)
      const set = setOf('cook')
      const hung = hangPieces(garment, set)
      const lengths = new Map(bodyLengths(garment, set).map((l) => [l.id, l]))
      for (const [view, measure] of [
        ['front', 'front-to-waist'],
        ['back', 'back-neck-to-waist'],
      ] as const) {
        const piece = hung.find((p) => p.view === view)!
        expect(piece.levels.waist!.y, view).toBeCloseTo(lengths.get(measure)!.garmentMm - figureMm(set, measure)!, 6)
        // The middle of the body is the middle of the figure, the side to the right.
        expect(boundsOf(piece.outline).maxX).toBeGreaterThan(150)
      }
    },
  )
  it('a skirt hangs where its bodice ends, trousers from the waist', () => {
    const dress = hangPieces(project('demo-dress').garment, setOf('bather'))
    const bodice = dress.find((p) => p.view === 'front' && p.levels.waist && boundsOf(p.outline).minY < -100)!
    const skirt = dress.find((p) => p.view === 'front' && p !== bodice)!
    expect(Math.abs(boundsOf(skirt.outline).minY - bodice.levels.waist!.y)).toBeLessThan(12)
    for (const leg of hangPieces(project('demo-tapered').garment, setOf('lamplighter'))) {
      expect(Math.abs(boundsOf(leg.outline).minY)).toBeLessThan(12)
      expect(leg.isHalf).toBe(true)
    }
  })
  it('a quarter of the ease stands beside the body at the waist of a half piece', () => {
    const { garment } = project('demo-blouse')
    const set = setOf('cook')
    const front = hangPieces(garment, set).find((p) => p.view === 'front')!
    const zone = findZones(garment).find((z) => z.id === 'waist')!
    const part = { ...zone, parts: zone.parts.filter((p) => p.pieceId === front.pieceId) }
    // Without darts at the waist the piece is as wide as its part of the zone, once.
    expect(front.levels.waist!.outMm).toBeCloseTo(finishedMm(garment, part, garment.baseSizeId) / 2, 0)
  })
  it('without a figure of the length it hangs where its own waist meets the body’s', () => {
    const set = without(setOf('cook'), 'front-to-waist', 'back-neck-to-waist')
    for (const p of hangPieces(project('demo-blouse').garment, set)) expect(p.levels.waist!.y).toBeCloseTo(0, 6)
  })
  it('sleeves and bands are not hung', () => {
    const { garment } = project('demo-blouse')
    const kinds = hangPieces(garment, null).map((h) => garment.pieces.find((p) => p.id === h.pieceId)!.kind)
    expect(new Set(kinds)).toEqual(new Set(['front', 'back']))
  })
})

describe('what is looked at, from the top down', () => {
  const rowsOf = (id: string, wearer: string, planned: boolean) => {
    const { garment, sizing } = project(id)
    const body = setOf(wearer)
    const context = contextWith({ sizeId: garment.baseSizeId, sizing, body, bought: garment })
    const folded = foldPlan(garment, planned ? planSizes(garment, context).map((c, i) => withId(c, `c${i}`)) : [], context)
    return tissueRows(folded.garment, askedGiven(garment, folded.garment, folded.stops, context), body)
  }
  it('begins at the shoulder, ends with back against front, and each thing stands once', () => {
    const ids = rowsOf('demo-blouse', 'cook', false).map((r) => r.id)
    expect(ids[0]).toBe('shoulder')
    expect(ids.at(-1)).toBe('balance')
    expect(new Set(ids).size).toBe(ids.length)
    expect(ids.indexOf('apex')).toBeLessThan(ids.indexOf('waist'))
    expect(ids.indexOf('waist')).toBeLessThan(ids.indexOf('hip'))
  })
  it('as bought the waist hangs too low on the Cook; once planned, levels and widths agree', () => {
    const before = new Map(rowsOf('demo-blouse', 'cook', false).map((r) => [r.id, r]))
    expect(before.get('back-neck-to-waist')).toMatchObject({ verdict: 'off' })
    expect(before.get('back-neck-to-waist')!.offMm!).toBeCloseTo(412 - 398, 0)
    const after = new Map(rowsOf('demo-blouse', 'cook', true).map((r) => [r.id, r]))
    for (const id of ['back-neck-to-waist', 'front-to-waist', 'waist', 'hip', 'bust', 'balance'])
      expect(after.get(id)!.verdict, id).toBe('agrees')
  })
  it('more room than was asked for is the design’s: looked at, not off', () => {
    expect(rowsOf('demo-dress', 'bather', true).find((r) => r.id === 'high-bust')!.verdict).toBe('look')
  })
  it('the side is upright where front and back share the width alike at every level', () => {
    const { garment } = project('demo-dress')
    const levels = sideLevels(garment)
    expect(levels.map((l) => l.id)).toEqual(['bust', 'waist', 'hip'])
    for (const l of levels) expect(l.behindMm).toBeCloseTo((l.frontMm - l.backMm) / 4, 9)
    expect(rowsOf('demo-dress', 'bather', false).find((r) => r.id === 'side-upright')!.says).toMatch(/hangs upright/)
  })
})
