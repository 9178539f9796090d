import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { listFaults } from '../core/advice'
import { foldPlan } from '../core/changes'
import { WearerSchema } from '../core/body'
import { FitRowSchema, GarmentRowSchema, splitProject } from '../core/formats'
import { walkGarment } from '../core/match'
import { measureGarment, NO_ZONING } from '../core/measure'
import { shapeOf, timesRound } from '../core/pattern'
import { cutLineOf, layOutSheet } from '../core/paper'
import { findSelfCrossing } from '../core/geometry'
import { demoWardrobe } from './wardrobe'
import { contextWith } from '../core/changes/test-context'

const { projects, wearers } = demoWardrobe(new Date('2026-05-01'))
const byId = (id: string) => projects.find((p) => p.id === id)!
const foldOf = (id: string) => foldPlan(byId(id).garment, byId(id).plan, contextWith())

describe('the demo wardrobe', () => {
  it('is what a file may hold, with three wearers by their roles', () => {
    for (const { row, fit } of projects.map(splitProject))
      expect([GarmentRowSchema.safeParse(row).success, FitRowSchema.safeParse(fit).success]).toEqual([true, true])
    for (const w of wearers) expect(WearerSchema.safeParse(w).success).toBe(true)
    expect(wearers).toHaveLength(3)
    for (const w of wearers) expect(w.name).toMatch(/^the /)
    for (const p of projects) expect(wearers.some((w) => w.id === p.wearerId)).toBe(true)
  })
  it('has a grain, notches or corners, allowances and a cut count on every piece', () => {
    for (const { garment } of projects)
      for (const piece of garment.pieces) {
        expect(timesRound(garment, piece)).toBeGreaterThan(0)
        expect(piece.edges.filter((e) => !e.fold).every((e) => e.allowanceMm > 0)).toBe(true)
        expect(findSelfCrossing(cutLineOf(piece, shapeOf(piece, 'one')))).toBeNull()
      }
  })
  it('has one garment with a finished plan that holds and matches', () => {
    const done = foldOf('demo-tapered')
    expect(done.stops.every((s) => s.status === 'applied')).toBe(true)
    expect(done.stops.flatMap((s) => s.applied!.held).every((h) => h.held)).toBe(true)
    expect(listFaults(done, contextWith())).toEqual([])
    expect(byId('demo-tapered').plan[0]!.note.length).toBeGreaterThan(20)
  })
  it('has one with a fault in the draft, and one whose plan forgot a partner', () => {
    expect(byId('demo-flared').plan).toEqual([])
    expect(listFaults(foldOf('demo-flared'), contextWith()).some((f) => f.verdict === 'fault')).toBe(true)
    const bather = listFaults(foldOf('demo-bather'), contextWith())
    expect(bather[0]!.mends[0]).toMatchObject({ how: 'edit', change: { id: 'body' } })
  })
  it('matches to 0.5 mm wherever no fault was meant', () => {
    for (const p of projects.filter((x) => x.id !== 'demo-flared'))
      for (const s of walkGarment(p.garment, 'one').seams) {
        expect(Math.abs(s.offMm), `${p.name}, ${s.seam.name}`).toBeLessThan(0.5)
        expect(s.marks.every((m) => Math.abs(m.offMm) < 0.5)).toBe(true)
      }
  })
  it('measures like clothes: waists, hips and openings of people', () => {
    const of = (id: string, measure: string) => measureGarment(byId(id).garment, 'one', NO_ZONING).find((m) => m.id === measure)!.mm
    expect(of('demo-blouse', 'finished:bust')).toBeGreaterThan(900)
    expect(of('demo-tapered', 'finished:hip')).toBeGreaterThan(850)
    expect(of('demo-tapered', 'finished:leg-opening')).toBeLessThan(of('demo-flared', 'finished:leg-opening'))
    expect(of('demo-dress', 'finished:hem')).toBeGreaterThan(of('demo-dress', 'finished:hip'))
  })
  it('writes name, size, wearer, count, date and changes on every printed piece', () => {
    const sheet = layOutSheet(
      foldOf('demo-tapered').garment,
      'one',
      {
        garmentName: 'Trousers',
        wearerName: 'the Lamplighter',
        sizeName: 'own draft',
        date: '2026-05-01',
        changes: ['Lengthen the leg'],
        ruler: 'in' as const,
      },
      900,
    )
    for (const p of sheet.pieces) {
      const text = p.words.map((w) => w.text).join(' ')
      for (const word of [
        p.piece.name,
        'Trousers',
        'own draft',
        'the Lamplighter',
        `cut ${p.piece.cut.count}`,
        '2026-05-01',
        'Lengthen the leg',
      ])
        expect(text).toContain(word)
    }
    expect(sheet.pieces.map((p) => p.piece.name).sort()).toEqual(['Back leg', 'Front leg', 'Waistband'])
  })
})

it('the outside file is of another hand: inches, transforms, relative commands, use', () => {
  const text = readFileSync(new URL('./outside/pedlars-waistcoat.svg', import.meta.url), 'utf8')
  for (const sign of ['in"', 'transform=', 'xlink:href', 'polyline', 'style=']) expect(text).toContain(sign)
  expect(text).toMatch(/d="M 12,2 l /)
})
