import fc from 'fast-check'
import paperCore from 'paper/dist/paper-core.js'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { draftJacket } from '../../demo/jacket'
import { draftQuayDress } from '../../demo/quay-dress'
import { draftTrousers, TAPERED } from '../../demo/trousers'
import { flattenPath, measureArea, type Path } from '../geometry'
import { cutLineOf } from '../paper'
import { grainDirection, shapeOf, type Garment } from '../pattern'
import { garmentOf, polygonPiece } from '../pattern/test-pieces'
import { diceOf } from '../dice'
import { bandsOf } from './bands'
import { boughtMm, makeLay, meetingsOf, usableMm, usualCloth, wantedOf, type Cloth, type Lay } from './index'
import { flatItems } from './lay-items'
import { pack } from './pack'
import { stripePhases } from './stripes'

// Typed as the whole library; the core is the part without a canvas.
const paper = paperCore as unknown as paper.PaperScope
paper.setup(new paper.Size(10, 10))

const GARMENTS: [string, Garment][] = [
  ['blouse', draftBlouse()],
  ['dress', draftQuayDress()],
  ['trousers', draftTrousers(TAPERED)],
  ['jacket', draftJacket()],
]
const countsOf = (garment: Garment) => Object.fromEntries(garment.pieces.map((p) => [p.id, p.cut.count]))
const CLOTHS: [string, Cloth][] = [
  ['flat', usualCloth()],
  ['folded', { ...usualCloth(), widthMm: 1500, isFolded: true }],
  ['narrow, one way', { ...usualCloth(), widthMm: 1150, isOneWay: true }],
  ['striped', { ...usualCloth(), repeatMm: 64 }],
  ['checked', { ...usualCloth(), repeatMm: 64, repeatAcrossMm: 41 }],
  ['checked and folded', { ...usualCloth(), isFolded: true, repeatMm: 50, repeatAcrossMm: 33.3 }],
]
function lay(garment: Garment, cloth: Cloth, rounds = 60): Lay {
  const result = makeLay(garment, garment.baseSizeId, wantedOf(garment, countsOf(garment)), cloth, { rounds })
  if (!result.ok) throw new Error(result.problem.message)
  return result.value
}

/** A cut line where it lies, for code that shares nothing with the packing. */
function shapeAt(path: Path, dx: number, dy: number) {
  const points = flattenPath(path, 0.05).map((p) => new paper.Point(p.x + dx, p.y + dy))
  const shape = new paper.Path({ segments: points, closed: true, insert: false })
  return shape
}

describe.each(GARMENTS.flatMap(([name, garment]) => CLOTHS.map(([how, cloth]) => ({ name, garment, how, cloth }))))(
  'the $name on $how cloth',
  ({ garment, cloth }) => {
    const made = lay(garment, cloth)
    const shapes = made.laid.map((l) => ({ l, shape: shapeAt(l.cutLine, l.xMm, l.yMm) }))
    it('has nothing on anything else, and all of it on the cloth', () => {
      shapes.forEach((a, i) => {
        expect(a.shape.bounds.left).toBeGreaterThan(-0.01)
        expect(a.shape.bounds.right).toBeLessThan(made.lengthMm + 0.01)
        expect(a.shape.bounds.top).toBeGreaterThan(a.l.onFold ? -0.01 : 0)
        expect(a.shape.bounds.bottom).toBeLessThan((a.l.isSingle ? usableMm(cloth) : made.acrossMm) + 0.01)
        for (const b of shapes.slice(i + 1)) {
          const common = a.shape.intersect(b.shape, { insert: false }) as { area?: number }
          expect(Math.abs(common.area ?? 0), `${a.l.name} on ${b.l.name}`).toBeLessThan(1e-3)
        }
      })
    })
    it('has every layer that is cut, each of its own size, none off its grain', () => {
      for (const piece of garment.pieces) {
        const own = made.laid.filter((l) => l.pieceId === piece.id || l.pieceId.startsWith(`${piece.id}~`))
        const layers = own.reduce((sum, l) => sum + (cloth.isFolded && !l.onFold && !l.isSingle ? 2 : 1), 0)
        expect(layers, piece.name).toBe(piece.cut.count)
        const area = Math.abs(measureArea(cutLineOf(piece, shapeOf(piece, 'one'))))
        const onFold = piece.edges.some((e) => e.fold)
        for (const l of own) {
          const times = onFold && !l.onFold ? 2 : 1
          expect(Math.abs(measureArea(l.cutLine)) / (area * times), l.name).toBeCloseTo(1, 3)
        }
        // Grain along the cloth: the piece keeps its length along it.
        const g = grainDirection(shapeOf(piece, 'one'))
        const along = cutLineOf(piece, shapeOf(piece, 'one')).map((s) => s.from.x * g.x + s.from.y * g.y)
        const longMm = Math.max(...along) - Math.min(...along)
        for (const l of own) {
          const xs = l.cutLine.map((s) => s.from.x)
          expect(Math.abs(Math.max(...xs) - Math.min(...xs) - longMm), l.name).toBeLessThan(0.5)
        }
      }
    })
    it('turns nothing on cloth with a way of its own', () => {
      const isOneWay = cloth.isOneWay || cloth.repeatMm > 0
      if (isOneWay) expect(made.laid.filter((l) => l.isTurned)).toEqual([])
      expect(made.laid.filter((l) => l.isOver && !cloth.isFolded)).toEqual([])
    })
  },
)

describe('stripes', () => {
  const garment = draftTrousers(TAPERED)
  const seam = garment.seams.find((s) => s.id === 'outseam')!
  /** Where a notch lies along the cloth, measured on the outline as it is laid. */
  const alongCloth = (made: Lay, mark: (typeof seam.marks)[number][0]) => {
    const piece = garment.pieces.find((p) => p.id === mark.pieceId)!
    const laid = made.laid.find((l) => l.pieceId === piece.id)!
    const shape = shapeOf(piece, 'one')
    const g = grainDirection(shape)
    const along = (p: { x: number; y: number }) => p.x * g.x + p.y * g.y
    const notch = piece.notches.find((n) => 'notchId' in mark && n.id === mark.notchId)!
    const place = shape.notches[notch.id]!
    const points = flattenPath(shape.edges[notch.edgeId]!, 0.01)
    let rest = place.distanceMm
    if (place.from === 'end') points.reverse()
    let point = points[0]!
    for (let i = 1; i < points.length; i++) {
      const step = Math.hypot(points[i]!.x - points[i - 1]!.x, points[i]!.y - points[i - 1]!.y)
      const part = Math.min(1, rest / step)
      point = {
        x: points[i - 1]!.x + (points[i]!.x - points[i - 1]!.x) * part,
        y: points[i - 1]!.y + (points[i]!.y - points[i - 1]!.y) * part,
      }
      if (rest <= step) break
      rest -= step
    }
    return laid.xMm + along(point) - Math.min(...flattenPath(cutLineOf(piece, shape), 0.05).map(along))
  }
  const offStripe = (made: Lay, [a, b]: (typeof seam.marks)[number], repeatMm: number) => {
    const off = (((alongCloth(made, a) - alongCloth(made, b)) % repeatMm) + repeatMm) % repeatMm
    return Math.min(off, repeatMm - off)
  }
  const notches: readonly (typeof seam.marks)[number][] = seam.marks.filter((m) => m.every((x) => 'notchId' in x))

  it('meet at the first notch of the side seam, front and back', () => {
    expect(offStripe(lay(garment, { ...usualCloth(), repeatMm: 50 }), notches[0]!, 50)).toBeLessThan(0.6)
  })

  it('meet at the notch of a seam that was chosen, and where others lead when it need not', () => {
    const cut = new Set(garment.pieces.map((p) => p.id))
    const [own] = meetingsOf(garment, cut, {}).filter((m) => m.seamId === seam.id)
    expect(own!.metAt).toBe(own!.marks.find((m) => m.name.endsWith('notch'))!.id)
    expect(own!.marks).toHaveLength(seam.marks.length)
    // The inseam leads no longer: the outseam meets wherever it is told to.
    const inseam = { inseam: null }
    for (const [i, { id }] of own!.marks.entries()) {
      if (!notches.includes(seam.marks[i]!)) continue
      const made = lay(garment, { ...usualCloth(), repeatMm: 47, meets: { ...inseam, outseam: id } })
      expect(offStripe(made, seam.marks[i]!, 47), id).toBeLessThan(0.6)
      expect(made.unmatched).not.toContain(seam.name)
      // They are drawn where they were measured.
      for (const mark of seam.marks[i]!) {
        const laid = made.laid.find((l) => l.pieceId === mark.pieceId)!
        expect(Math.min(...laid.notches.map((n) => Math.abs(laid.xMm + n.x - alongCloth(made, mark))))).toBeLessThan(0.05)
      }
    }
    const free = meetingsOf(garment, cut, { outseam: null }).find((m) => m.seamId === 'outseam')!
    expect(free.metAt).toBeNull()
    expect(lay(garment, { ...usualCloth(), repeatMm: 47, meets: { outseam: null } }).unmatched).not.toContain(seam.name)
    // A notch that has gone since is no reason to meet nowhere.
    expect(meetingsOf(garment, cut, { outseam: 'front gone' })).toEqual(meetingsOf(garment, cut, {}))
  })

  it('are asked about only between pieces of one cloth, in an opened garment once', () => {
    expect(meetingsOf(garment, new Set(['front']), {})).toEqual([])
    const blouse = draftBlouse()
    const { garment: opened } = flatItems(blouse, 'one', wantedOf(blouse, countsOf(blouse)), true)
    const seams = meetingsOf(opened, new Set(opened.pieces.map((p) => p.id)), {}).map((m) => m.seamId)
    expect(seams.length).toBeGreaterThan(2)
    expect(new Set(seams).size).toBe(seams.length)
  })
  it('meet at a mark between pieces of this cloth, where the first one of a seam is to a piece of another', () => {
    // The first mark of an armhole is between sleeve and back: with the back of another cloth sleeve and front meet at theirs.
    const blouse = draftBlouse()
    const [own] = meetingsOf(blouse, new Set(['front', 'sleeve']), {}).filter((m) => m.seamId === 'armhole')
    const met = own!.marks.find((m) => m.id === own!.metAt)
    expect(met?.name).toBe('front cap notch')
  })
})

describe('a lay', () => {
  it('needs at most 8 % more than the best of many thrown orders', () => {
    const garment = draftQuayDress()
    const own = lay(garment, usualCloth(), 400).lengthMm
    const thrown = Array.from({ length: 40 }, (_, i) =>
      makeLay(garment, 'one', wantedOf(garment, countsOf(garment)), usualCloth(), { isThrown: true, seed: i + 5 }),
    )
    const best = Math.min(...thrown.flatMap((t) => (t.ok ? [t.value.lengthMm] : [])))
    expect(own).toBeLessThan(best * 1.08)
  })
  it('is the same for the same seed', () => {
    const [a, b] = [lay(draftBlouse(), usualCloth()), lay(draftBlouse(), usualCloth())]
    expect(a).toEqual(b)
  })
  it('is made again from its orders without a search; orders of other pieces are not taken', () => {
    const garment = draftQuayDress()
    for (const cloth of [
      { ...usualCloth(), isFolded: true },
      { ...usualCloth(), repeatMm: 50 },
    ]) {
      const found = lay(garment, cloth, 60)
      const again = (orders: number[][]) =>
        makeLay(garment, 'one', wantedOf(garment, countsOf(garment)), cloth, {
          rounds: 60,
          orders,
          goOn: () => expect.unreachable('it searches'),
        })
      expect(again(found.orders)).toEqual({ ok: true, value: found })
      expect(() => again([[0, 0, 1], []])).toThrow('it searches')
    }
  })
  it('of nothing needs nothing; a piece wider than the cloth is named, with both widths', () => {
    const garment = draftBlouse()
    const none = makeLay(garment, 'one', wantedOf(garment, { front: 0, gone: 3 }), usualCloth())
    expect(none.ok && none.value.lengthMm).toBe(0)
    const narrow = makeLay(garment, 'one', wantedOf(garment, countsOf(garment)), { ...usualCloth(), widthMm: 300 })
    expect(!narrow.ok && narrow.problem).toMatchObject({ code: 'too-wide-for-cloth' })
    expect(!narrow.ok && narrow.problem.message).toMatch(/\{mm .*\{mm 300/)
  })
  it('asks for more cloth where it shrinks', () => {
    const cloth = { ...usualCloth(), shrinksAlong: 5, shrinksAcross: 4 }
    expect(usableMm(cloth)).toBeCloseTo(1344, 6)
    expect(boughtMm(cloth, 950)).toBeCloseTo(1000, 6)
  })
  it('of squares is as short as squares allow', () => {
    const at = (x: number, y: number) => ({ x, y })
    const square = (id: string) =>
      polygonPiece(id, 'other', [at(0, 0), at(200, 0), at(200, 200), at(0, 200)], ['other', 'other', 'other', 'other'], { allowanceMm: 0 })
    const garment = garmentOf(['a', 'b', 'c', 'd', 'e', 'f'].map(square))
    const made = lay(garment, { ...usualCloth(), widthMm: 612 })
    expect(made.lengthMm).toBeLessThan(2 * 203 + 4)
  })
})

describe('packing', () => {
  it('of made polygons never lets two bands meet, and never leaves the cloth', () => {
    const blob = fc.array(fc.tuple(fc.integer({ min: 0, max: 180 }), fc.integer({ min: 0, max: 140 })), { minLength: 3, maxLength: 7 })
    fc.assert(
      fc.property(fc.array(blob, { minLength: 2, maxLength: 7 }), (blobs) => {
        const parcels = blobs.map((points) => {
          const polygon = points.map(([x, y]) => ({ x, y }))
          const high = Math.ceil((Math.max(...polygon.map((p) => p.y)) + 4) / 10)
          return [{ bands: bandsOf(polygon, -2, 10, high, 4), firstRow: 0, lastRow: 30 - high, rowStep: 1, lowMm: -2, phaseMm: 0 }]
        })
        const packed = pack(
          parcels,
          parcels.map((_, i) => i),
          30,
          0,
        )!
        packed.placed.forEach((a, i) => {
          const own = parcels[i]![0]!.bands
          expect(a.xMm + own.leastMm).toBeGreaterThan(-1e-9)
          packed.placed.slice(i + 1).forEach((b, k) => {
            const other = parcels[i + 1 + k]![0]!.bands
            for (let row = Math.max(a.row, b.row); row < Math.min(a.row + own.from.length, b.row + other.from.length); row++) {
              const [a0, a1] = [a.xMm + own.from[row - a.row]!, a.xMm + own.to[row - a.row]!]
              const [b0, b1] = [b.xMm + other.from[row - b.row]!, b.xMm + other.to[row - b.row]!]
              expect(a1 <= b0 + 1e-9 || b1 <= a0 + 1e-9).toBe(true)
            }
          })
        })
      }),
      { numRuns: 60 },
    )
  })
  it('comes to an end where a stripe lies just where a piece ends, to the last place behind the point', () => {
    const dice = diceOf(5)
    for (let i = 0; i < 20_000; i++) {
      const repeatMm = dice() * 100 + 0.1
      const lengthMm = repeatMm * (1 + Math.floor(dice() * 5))
      const bands = {
        from: new Float64Array([-1.5, -1.5]),
        to: new Float64Array([lengthMm - 1.5, lengthMm - 1.5]),
        leastMm: -1.5,
        mostMm: lengthMm - 1.5,
      }
      const parcel = [{ bands, firstRow: 0, lastRow: 0, rowStep: 1, lowMm: 0, phaseMm: dice() * repeatMm }]
      const packed = pack([parcel, parcel, parcel], [0, 1, 2], 2, repeatMm)!
      expect(packed.lengthMm).toBeLessThan(3 * lengthMm + 2 * repeatMm)
    }
  })
})

describe('stripes that cannot meet', () => {
  const garment = draftJacket()
  const phasesOf = (counts: Record<string, number>) => {
    const { garment: opened, items } = flatItems(garment, 'one', wantedOf(garment, counts), true)
    return stripePhases(opened, items, 'one', { repeatMm: 60, meets: {} })
  }
  it('are named, each seam once, and only of what lies on this cloth', () => {
    const { unmatched } = phasesOf(countsOf(garment))
    expect(new Set(unmatched).size).toBe(unmatched.length)
    for (const name of unmatched) expect(garment.seams.map((s) => s.name)).toContain(name)
    expect(phasesOf({ front: 2 }).unmatched).toEqual([])
  })
  it('leave every item a beginning within one repeat', () => {
    const { phases } = phasesOf(countsOf(garment))
    expect([...phases.values()].every((mm) => mm >= 0 && mm < 60)).toBe(true)
  })
})
