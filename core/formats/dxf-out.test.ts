import DxfParser from 'dxf-parser'
import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { contextOf, foldPlan } from '../changes'
import { flattenPath, nearestPlace, type Path } from '../geometry'
import { DEFAULT_TOLERANCES } from '../match'
import { cutLineOf, layOutSheet } from '../paper'
import { outlineOf, shapeOf } from '../pattern'
import { stopsOf, writePlainDxf, writeTradeDxf } from './index'

const { projects, wearers } = demoWardrobe(new Date('2026-05-01'))
/** One of each sort of garment. */
const SHOWN = ['demo-blouse', 'demo-tapered', 'demo-bather', 'demo-dress', 'demo-jacket', 'demo-tunic']
const garments = projects
  .filter((p) => SHOWN.includes(p.id))
  .map((p) => {
    const context = contextOf(p.garment, p, wearers.find((w) => w.id === p.wearerId) ?? null, DEFAULT_TOLERANCES)
    return { name: p.name, garment: foldPlan(p.garment, stopsOf(p), context).garment }
  })

interface Entity {
  type: string
  layer: string
  shape?: boolean
  text?: string
  vertices?: { x: number; y: number }[]
  position?: { x: number; y: number }
}
const parse = (text: string) =>
  new DxfParser().parseSync(text) as unknown as {
    header: Record<string, unknown>
    blocks: Record<string, { entities: Entity[] }>
    entities: (Entity & { name?: string })[]
  }

/** How far a written line is off a path, at every one of its points and at points all along the path, mm. */
function off(vertices: { x: number; y: number }[], path: Path): number {
  const points = vertices.map((v) => ({ x: v.x, y: -v.y }))
  const there = Math.max(...points.map((p) => nearestPlace(path, p).distanceMm))
  const chord: Path = points.map((p, i) => ({ kind: 'line', from: p, to: points[(i + 1) % points.length]! }))
  const back = Math.max(...flattenPath(path, 2).map((p) => nearestPlace(chord, p).distanceMm))
  return Math.max(there, back)
}

/** Where a closed line of chords turns by more than 25 degrees at once: chords of a curve turn by less, in the tightest bend of a cut line, too. */
const sharpCorners = (points: readonly { x: number; y: number }[]) =>
  points.filter((p, i) => {
    const [a, b] = [points.at(i - 1)!, points[(i + 1) % points.length]!]
    const turn = Math.atan2(b.y - p.y, b.x - p.x) - Math.atan2(p.y - a.y, p.x - a.x)
    return Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn))) > (25 * Math.PI) / 180
  })

describe.each(garments)('$name as DXF of the trade', ({ name, garment }) => {
  const sizeIds = [...new Set([garment.sizes[0]!.id, garment.sizes.at(-1)!.id])]
  const text = writeTradeDxf(garment, sizeIds, name)
  it('has a block for each piece and size on the layers of the standard, its lines within 0.02 mm', () => {
    const { header, blocks, entities } = parse(text)
    expect(header.$INSUNITS).toBe(4)
    const all = Object.values(blocks)
    expect(all).toHaveLength(garment.pieces.length * sizeIds.length)
    expect(entities.map((e) => e.type)).toEqual(all.map(() => 'INSERT'))
    let i = 0
    for (const piece of garment.pieces)
      for (const sizeId of sizeIds) {
        const { entities: own } = all[i++]!
        const shape = shapeOf(piece, sizeId)
        for (const [layer, path] of [
          ['1', cutLineOf(piece, shape)],
          ['14', outlineOf(piece, shape)],
        ] as const) {
          const lines = own.filter((e) => e.layer === layer && e.type === 'POLYLINE')
          expect(lines).toHaveLength(1)
          expect(lines[0]!.shape).toBe(true)
          expect(off(lines[0]!.vertices!, path), `${piece.name} ${sizeId} layer ${layer}`).toBeLessThan(0.02)
        }
        // Turn points are where the cut line turns, and nowhere else; points of a curve are where it runs on.
        const cut = own.find((e) => e.layer === '1' && e.type === 'POLYLINE')!.vertices!
        const turns = sharpCorners(cut)
        const turnPoints = own.filter((e) => e.layer === '2').map((e) => e.position!)
        for (const p of turns) expect(turnPoints.some((q) => Math.hypot(p.x - q.x, p.y - q.y) < 0.01)).toBe(true)
        for (const e of own.filter((o) => o.layer === '3'))
          expect(turns.every((p) => Math.hypot(p.x - e.position!.x, p.y - e.position!.y) > 0.01)).toBe(true)
        expect(own.filter((e) => e.layer === '4')).toHaveLength(piece.notches.length)
        expect(own.filter((e) => e.layer === '6')).toHaveLength(piece.edges.filter((e) => e.fold).length)
        expect(own.filter((e) => e.layer === '7' && e.type === 'LINE')).toHaveLength(1)
        expect(own.some((e) => e.text === `Quantity: ${piece.cut.count}`)).toBe(true)
        expect(own.every((e) => /^(1|2|3|4|6|7|8|13|14)$/.test(e.layer))).toBe(true)
      }
  })
})

describe('plain DXF', () => {
  it('says in its layers what its lines are, and lies as the sheet does', () => {
    const { garment } = garments[0]!
    const words = { garmentName: 'Blouse – “harbour”', wearerName: null, sizeName: '4', date: 'd', changes: [], ruler: 'cm' as const }
    const sheet = layOutSheet(garment, garment.baseSizeId, words, 1200)
    const { entities } = parse(writePlainDxf(sheet))
    const cut = entities.filter((e) => e.layer === 'CUT_LINE')
    expect(cut).toHaveLength(sheet.pieces.length)
    cut.forEach((e, i) => expect(off(e.vertices!, sheet.pieces[i]!.cutLine)).toBeLessThan(0.02))
    expect(entities.some((e) => e.text === 'Blouse - "harbour"')).toBe(true)
  })
})
