import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { draftJacket } from '../../demo/jacket'
import { draftQuayDress } from '../../demo/quay-dress'
import { draftTrousers, TAPERED } from '../../demo/trousers'
import { boundsOf, flattenPath, type Point } from '../geometry'
import { findPiece, shapeOf, type Garment } from '../pattern'
import { usualCloth, type Cloth } from './cloth'
import { layFaults, makeLay, movedBy, wantedOf, type LaidOnCloth, type Lay } from './index'

const GARMENTS: [string, Garment][] = [
  ['blouse', draftBlouse()],
  ['dress', draftQuayDress()],
  ['trousers', draftTrousers(TAPERED)],
  ['jacket', draftJacket()],
]
const FLAT: Cloth = { ...usualCloth(), repeatAcrossMm: 37 }
const FOLDED: Cloth = { ...FLAT, isFolded: true }

function lay(garment: Garment, cloth: Cloth): Lay {
  const counts = Object.fromEntries(garment.pieces.map((p) => [p.id, p.cut.count]))
  const made = makeLay(garment, garment.baseSizeId, wantedOf(garment, counts), cloth, { rounds: 40 })
  if (!made.ok) throw new Error(made.problem.message)
  return made.value
}
/** How far a place across the cloth is from the next stripe, mm. */
const offStripe = (y: number, repeatMm: number) => Math.abs(y - Math.round(y / repeatMm) * repeatMm)
const across = (l: LaidOnCloth) => {
  const box = boundsOf(l.seamLine)
  return { lowMm: l.yMm + box.minY, highMm: l.yMm + box.maxY }
}
const ownLayers = (made: Lay, pieceId: string) => made.laid.filter((l) => l.pieceId === pieceId || l.pieceId.startsWith(`${pieceId}~`))

describe.each(GARMENTS)('the %s on cloth with stripes along it', (_, garment) => {
  const onFold = garment.pieces.filter((p) => p.edges.some((e) => e.fold))
  it('has the middle of each opened piece on a stripe', () => {
    const made = lay(garment, FLAT)
    for (const l of onFold.flatMap((p) => ownLayers(made, p.id))) {
      const { lowMm, highMm } = across(l)
      expect(offStripe((lowMm + highMm) / 2, FLAT.repeatAcrossMm), l.name).toBeLessThan(0.3)
    }
  })
  it('has both of a pair mirrored to the stripes: what is left of one lies right of the other', () => {
    const made = lay(garment, FLAT)
    const pairs = garment.pieces.filter((p) => p.cut.mirrored && !p.edges.some((e) => e.fold))
    for (const piece of pairs) {
      const [one, other] = ownLayers(made, piece.id)
      const rest = (mm: number) => ((mm % FLAT.repeatAcrossMm) + FLAT.repeatAcrossMm) % FLAT.repeatAcrossMm
      // One of them may lie end for end: then it is not mirrored across the cloth.
      const mirrored = one!.isTurned === other!.isTurned
      const off = mirrored ? rest(across(one!).lowMm) + rest(across(other!).highMm) : rest(across(one!).lowMm) - rest(across(other!).lowMm)
      expect(offStripe(off, FLAT.repeatAcrossMm), piece.name).toBeLessThan(0.3)
    }
  })
  it('keeps folds on the fold of folded cloth, whose middle is a stripe', () => {
    const made = lay(garment, FOLDED)
    for (const l of made.laid.filter((x) => x.onFold)) expect(Math.abs(across(l).lowMm)).toBeLessThan(0.01)
  })
  it('is laid on pinstripes closer than the rows that it is packed in', () => {
    const [fine, none] = [0.4, 0].map((repeatAcrossMm) => lay(garment, { ...FLAT, repeatAcrossMm }))
    expect(layFaults(fine!)).toEqual([])
    expect(fine!.lengthMm / none!.lengthMm).toBeCloseTo(1, 0)
  })
})

describe('a side panel without a centre', () => {
  /** The back of a blouse as a panel: it has no centre that one could go by. */
  const blouse = draftBlouse()
  const garment: Garment = {
    ...blouse,
    pieces: blouse.pieces.map((p) =>
      p.id === 'back' ? { ...p, edges: p.edges.map((e) => (e.fold ? { ...e, fold: false, role: 'panel' as const } : e)) } : p,
    ),
  }
  it('is led by the side seam: stripes meet there as far from the seam on both', () => {
    const made = lay(garment, FLAT)
    const side = garment.seams.find((s) => s.sides.flat().every((r) => ['front', 'back'].includes(r.pieceId)) && s.id.includes('side'))!
    const [pair] = side.marks.filter((m) => m.every((x) => 'notchId' in x))
    const offs = pair!.map((mark) => {
      const piece = findPiece(garment, mark.pieceId)!
      const l = ownLayers(made, mark.pieceId)[0]!
      // The notch is found by its distance along the edge, on points of the seam line as it lies.
      const notch = piece.notches.find((n) => 'notchId' in mark && n.id === mark.notchId)!
      const at = notchOnCloth(l, garment, piece.id, notch.id)
      const box = boundsOf(l.seamLine)
      const inward = Math.sign((box.minY + box.maxY) / 2 - (at.y - l.yMm))
      const rest = ((at.y % FLAT.repeatAcrossMm) + FLAT.repeatAcrossMm) % FLAT.repeatAcrossMm
      // To the next stripe on the side where the piece lies.
      return inward > 0 ? (FLAT.repeatAcrossMm - rest) % FLAT.repeatAcrossMm : rest
    })
    expect(offStripe(offs[0]! - offs[1]!, FLAT.repeatAcrossMm)).toBeLessThan(0.4)
    expect(made.unmatched.join()).not.toContain('side')
  })
})

/** Where a notch lies on the cloth: as far along the outline from its edge’s start as on the paper, found by nothing but lengths. */
function notchOnCloth(l: LaidOnCloth, garment: Garment, pieceId: string, notchId: string): Point {
  const piece = findPiece(garment, pieceId)!
  const shape = shapeOf(piece, garment.baseSizeId)
  const place = shape.notches[notchId]!
  const notch = piece.notches.find((n) => n.id === notchId)!
  const points = flattenPath(shape.edges[notch.edgeId]!, 0.01)
  if (place.from === 'end') points.reverse()
  let rest = place.distanceMm
  let point = points[0]!
  for (let i = 1; i < points.length && rest > 0; i++) {
    const [a, b] = [points[i - 1]!, points[i]!]
    const step = Math.hypot(b.x - a.x, b.y - a.y)
    const part = Math.min(1, rest / step)
    point = { x: a.x + (b.x - a.x) * part, y: a.y + (b.y - a.y) * part }
    rest -= step
  }
  // The same point where the piece lies: by its distances from three far corners of the outline, which lie there in the same order.
  const own = flattenPath(
    piece.edges.flatMap((e) => shape.edges[e.id]!),
    0.05,
  )
  const there = flattenPath(l.seamLine, 0.05).map((p) => ({ x: p.x + l.xMm, y: p.y + l.yMm }))
  const near = (p: Point, list: readonly Point[]) =>
    list.reduce((best, q, i) => (Math.hypot(q.x - p.x, q.y - p.y) < Math.hypot(list[best]!.x - p.x, list[best]!.y - p.y) ? i : best), 0)
  // An opened piece has its own half first; a point of it is found by how far along the grain it lies, and on the outline.
  const grain = shape.grain
  const length = Math.hypot(grain.to.x - grain.from.x, grain.to.y - grain.from.y)
  const along = (p: Point) =>
    ((p.x - grain.from.x) * (grain.to.x - grain.from.x) + (p.y - grain.from.y) * (grain.to.y - grain.from.y)) / length
  const leastAlong = Math.min(...own.map(along))
  const x = l.isTurned
    ? Math.max(...there.map((p) => p.x)) - (along(point) - leastAlong)
    : Math.min(...there.map((p) => p.x)) + (along(point) - leastAlong)
  const middle = (Math.min(...there.map((p) => p.y)) + Math.max(...there.map((p) => p.y))) / 2
  const sameSide = there.filter((p) => p.y > middle)
  return sameSide[near({ x, y: Math.max(...there.map((p) => p.y)) }, sameSide)]!
}

describe('a piece that is moved by hand', () => {
  it('is said to have left its stripe, and not where it was moved by a whole one', () => {
    const cloth: Cloth = { ...FLAT, repeatMm: 50 }
    const made = lay(draftTrousers(TAPERED), cloth)
    const [first, ...others] = made.laid
    const words = (l: LaidOnCloth) => layFaults({ ...made, laid: [l, ...others] }).map((f) => f.words)
    expect(layFaults(made)).toEqual([])
    expect(words(movedBy(first!, { x: 5000 + 12, y: 0 }))).toContain(`${first!.name} has left its stripe.`)
    expect(words(movedBy(first!, { x: 5000, y: 9 }))).toContain(`${first!.name} has left its stripe.`)
    expect(words(movedBy(first!, { x: 5000, y: 0 }))).toEqual([])
  })
})
