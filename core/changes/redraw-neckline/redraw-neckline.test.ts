import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftSleeveless } from '../../../demo/dart-blouses'
import { draftJacket } from '../../../demo/jacket'
import { nestOf } from '../../../demo/nest'
import { draftOnePiece } from '../../../demo/one-piece'
import { draftQuayDress } from '../../../demo/quay-dress'
import { blemishes, bodies, yokedBlouse } from '../../../demo/test-garments'
import { cubic, line, measureLength, nearestPlace, placeAt, reversePath } from '../../geometry'
import { cornersAsSewn, walkGarment } from '../../match'
import { openOut } from '../../moves'
import { checkGarment, edgePath, findPiece, shapeOf, type Garment, type Piece } from '../../pattern'
import { findNecklines, runLength } from '../../seams'
import { applyOrRefuse } from '../apply-or-refuse'
import { findKind } from '../registry'
import { contextWith } from '../test-context'
import type { RedrawNecklineInputs } from './schema'

const kind = findKind('redraw-neckline')
const context = contextWith()
const asked = (set: Partial<RedrawNecklineInputs>): RedrawNecklineInputs => ({ frontMm: 0, backMm: 0, widerMm: 0, band: 'follows', ...set })
const tryOn = (garment: Garment, set: Partial<RedrawNecklineInputs>, sizeId = garment.baseSizeId) =>
  applyOrRefuse(kind, garment, asked(set), { ...context, sizeId })
function applied(garment: Garment, set: Partial<RedrawNecklineInputs>, sizeId = garment.baseSizeId) {
  const result = tryOn(garment, set, sizeId)
  if (!result.ok) throw new Error(result.problem.message)
  return result.value
}
const neckLength = (garment: Garment, half: 'front' | 'back', facing = false) => {
  const found = findNecklines(garment)
  if (!found.ok) throw new Error(found.problem.message)
  return runLength(garment, found.value.find((n) => n.half === half && n.facing === facing)!.runs, garment.baseSizeId)
}
const edgeOf = (garment: Garment, pieceId: string, edgeId: string) =>
  edgePath(shapeOf(findPiece(garment, pieceId)!, garment.baseSizeId), edgeId)

/** The blouse without its band, a front and a back facing 55 mm wide in its place. */
function facedBlouse(): Garment {
  const blouse = draftBlouse()
  const facing = (body: Piece): Piece => {
    const shape = shapeOf(body, 'one')
    const neck = edgePath(shape, 'neck')
    const shoulder = edgePath(shape, body.id === 'front' ? 'shoulder' : 'shoulder-in')
    const [centre, point] = [neck[0]!.from, neck[neck.length - 1]!.to]
    const out = placeAt(shoulder, 55).point
    const below = { x: centre.x, y: centre.y + 55 }
    const edges = [
      { id: 'neck', role: 'neck' as const, path: neck },
      { id: 'shoulder', role: 'shoulder' as const, path: [line(point, out)] },
      { id: 'outer', role: 'other' as const, path: [cubic(out, { x: out.x - 12, y: out.y + 40 }, { x: below.x + 55, y: below.y }, below)] },
      { id: 'centre', role: body.id === 'front' ? ('centre-front' as const) : ('centre-back' as const), path: [line(below, centre)] },
    ]
    return {
      ...body,
      id: `${body.id}-facing`,
      name: `${body.name} facing`,
      kind: 'other',
      edges: edges.map((e) => ({ id: e.id, name: e.id, role: e.role, fold: e.id === 'centre', allowanceMm: e.id === 'centre' ? 0 : 10 })),
      corners: edges.map((e) => ({ id: `at-${e.id}`, name: `at ${e.id}` })),
      notches: [],
      darts: [],
      lines: [],
      points: [],
      shapes: {
        one: {
          edges: Object.fromEntries(edges.map((e) => [e.id, e.path])),
          notches: {},
          lines: {},
          points: {},
          grain: { from: { x: 20, y: centre.y + 10 }, to: { x: 20, y: centre.y + 45 } },
        },
      },
    }
  }
  const [front, back] = [findPiece(blouse, 'front')!, findPiece(blouse, 'back')!]
  const seam = (id: string, a: [string, string], b: [string, string]) => ({
    id,
    name: id,
    sides: [
      [{ pieceId: a[0], edgeId: a[1], reversed: false }],
      [{ pieceId: b[0], edgeId: b[1], reversed: false }],
    ] as Garment['seams'][number]['sides'],
    wantedEase: { minMm: 0, maxMm: 0 },
    marks: [],
  })
  return {
    ...blouse,
    pieces: [...blouse.pieces.filter((p) => p.id !== 'neckband'), facing(front), facing(back)],
    seams: [
      ...blouse.seams.filter((s) => s.id !== 'neckline'),
      seam('front-facing', ['front', 'neck'], ['front-facing', 'neck']),
      seam('back-facing', ['back', 'neck'], ['back-facing', 'neck']),
      seam('facing-shoulder', ['front-facing', 'shoulder'], ['back-facing', 'shoulder']),
    ],
  }
}

/** The dress with its front neckline ruled: a V. */
function vNecked(): Garment {
  const dress = draftQuayDress()
  const ruled = (p: Piece): Piece => {
    const shape = shapeOf(p, 'one')
    const neck = edgePath(shape, 'neck')
    return { ...p, shapes: { one: { ...shape, edges: { ...shape.edges, neck: [line(neck[0]!.from, neck[neck.length - 1]!.to)] } } } }
  }
  return { ...dress, pieces: dress.pieces.map((p) => (p.kind === 'front' ? ruled(p) : p)) }
}

const garments = fc.oneof(
  bodies.map((b) => draftBlouse(true, b)),
  bodies.map((b) => draftJacket(b)),
  fc.constantFrom(
    draftQuayDress(),
    yokedBlouse(),
    draftSleeveless(),
    draftOnePiece(),
    facedBlouse(),
    vNecked(),
    openOut(draftBlouse(), 'front', ['right', 'left']),
  ),
)
const amounts = fc.record({
  frontMm: fc.integer({ min: -25, max: 90 }),
  // Drawn three times as deep, a back must bend once more to arrive square to the shoulder, as a front does.
  backMm: fc.integer({ min: -8, max: 24 }),
  widerMm: fc.integer({ min: -12, max: 30 }),
})

describe('a neckline redrawn', () => {
  it('on made garments: centre and shoulders by just the amount, square, running on across the shoulder, band and facing along', () => {
    let done = 0
    fc.assert(
      fc.property(garments, amounts, (garment, set) => {
        const result = tryOn(garment, set)
        if (!result.ok) {
          expect(`${result.problem.message} ${result.problem.remedy}`).toMatch(/at most|deeper|less/)
          return
        }
        done += 1
        const after = result.value.garment
        expect(result.value.held.filter((h) => !h.held).map((h) => `${h.where}: ${h.label} ${h.before} ${h.after}`)).toEqual([])
        if (!checkGarment(garment)) expect(checkGarment(after)).toBeNull()
        expect(blemishes(garment, after)).toEqual([])
        const was = new Map(cornersAsSewn(walkGarment(garment, 'one')).map((c) => [c.id, Math.abs(c.turnDeg)]))
        const isV = garment.pieces.some((p) => p.kind === 'front' && edgePath(shapeOf(p, 'one'), p.edges[0]!.id)[0]!.kind === 'line')
        for (const c of cornersAsSewn(walkGarment(after, 'one')))
          // A facing is turned in along the neck: what seems to run on there does not.
          if (!isV && !c.where.includes('facing')) expect(Math.abs(c.turnDeg), c.where).toBeLessThan((was.get(c.id) ?? 0) + 5)
      }),
      { numRuns: 120, seed: 5 },
    )
    expect(done).toBeGreaterThan(80)
  })

  it('leaves the back alone when the front alone becomes deeper, and the shoulders too', () => {
    const blouse = draftBlouse()
    const after = applied(blouse, { frontMm: 40 }).garment
    expect(findPiece(after, 'back')).toBe(findPiece(blouse, 'back'))
    expect(edgeOf(after, 'front', 'shoulder')).toEqual(edgeOf(blouse, 'front', 'shoulder'))
    const [from] = [edgeOf(after, 'front', 'neck')[0]!.from]
    expect(from.y - edgeOf(blouse, 'front', 'neck')[0]!.from.y).toBeCloseTo(40, 9)
  })

  it('a band becomes longer in each part by what its part of the neckline gained', () => {
    const blouse = draftBlouse()
    const after = applied(blouse, { frontMm: 30, backMm: 5, widerMm: 12 }).garment
    const grew = (half: 'front' | 'back') => neckLength(after, half) - neckLength(blouse, half)
    const band = (g: Garment) => measureLength(edgeOf(g, 'neckband', 'neck'))
    expect(band(after) - band(blouse)).toBeCloseTo(grew('front') + grew('back'), 6)
    const notch = (g: Garment) => shapeOf(findPiece(g, 'neckband')!, 'one').notches.shoulder!.distanceMm
    expect(notch(after) - notch(blouse)).toBeCloseTo(grew('back'), 6)
    const left = applied(blouse, { frontMm: 30, band: 'left' })
    expect(findPiece(left.garment, 'neckband')).toBe(findPiece(blouse, 'neckband'))
    expect(left.cautions.map((c) => c.code)).toContain('band-left-behind')
  })

  it('a facing is carried: it fits the new neckline and keeps its width', () => {
    const faced = facedBlouse()
    const result = applied(faced, { frontMm: 45, backMm: 10, widerMm: 14 })
    for (const half of ['front', 'back'] as const) {
      expect(neckLength(result.garment, half, true)).toBeCloseTo(neckLength(result.garment, half), 6)
      const width = (g: Garment) => {
        const [neck, outer] = [edgeOf(g, `${half}-facing`, 'neck'), reversePath(edgeOf(g, `${half}-facing`, 'outer'))]
        return [0, 0.25, 0.5, 0.75, 1].map((part) => {
          const { point } = placeAt(outer, measureLength(outer) * part)
          const near = nearestPlace(neck, point).point
          return Math.hypot(near.x - point.x, near.y - point.y)
        })
      }
      const [was, is] = [width(faced), width(result.garment)]
      is.forEach((w, i) => expect(Math.abs(w - was[i]!)).toBeLessThan(8))
    }
  })

  it('a V stays ruled, and the corner that this makes at the shoulder is said', () => {
    const dress = vNecked()
    const result = applied(dress, { frontMm: 90 })
    const front = result.garment.pieces.find((p) => p.kind === 'front')!
    expect(edgePath(shapeOf(front, 'one'), 'neck')).toHaveLength(1)
    expect(edgePath(shapeOf(front, 'one'), 'neck')[0]!.kind).toBe('line')
  })

  it('holds in every size of a nest, and says what is too much', () => {
    const nest = nestOf(draftBlouse())
    for (const size of nest.sizes)
      expect(applied(nest, { frontMm: 35, backMm: 6, widerMm: 10 }, size.id).held.filter((h) => !h.held)).toEqual([])
    const tooWide = tryOn(draftQuayDress(), { widerMm: 80 })
    if (tooWide.ok) throw new Error('it was done')
    expect(tooWide.problem.message).toContain('deeper there too')
    expect(tryOn(draftQuayDress(), { widerMm: tooWide.problem.largestMm! }).ok).toBe(true)
    const both = tryOn(draftBlouse(), { widerMm: 500, backMm: 250 })
    if (both.ok) throw new Error('it was done')
    const largest = kind.withLargest!(draftBlouse(), asked({ widerMm: 500, backMm: 250 }), both.problem.largestMm!, context)
    expect(largest.backMm).toBeCloseTo(largest.widerMm / 2, 9)
    expect(applyOrRefuse(kind, draftBlouse(), largest, context).ok).toBe(true)
  })

  it('is refused where a dart parts the neckline, and where there is none', () => {
    const begun = (garment: Garment) => {
      const result = kind.begin(garment, context)
      return result.ok ? null : result.problem.code
    }
    const darted = applyOrRefuse(
      findKind('move-dart')!,
      draftBlouse(),
      { dart: 'front side-dart', edgeId: 'neck', atMm: 60, beyondMm: 0, sharePct: 100, tipBackMm: 50, trued: true },
      context,
    )
    if (!darted.ok) throw new Error(darted.problem.message)
    expect(begun(darted.value.garment)).toBe('dart-in-neckline')
    const skirts = draftQuayDress()
    expect(begun({ ...skirts, pieces: skirts.pieces.filter((p) => p.kind.startsWith('skirt')), seams: [] })).toBe('no-neckline')
  })
})
