import { describe, expect, it } from 'vitest'
import { draftDartless } from '../../../demo/dart-blouses'
import { panelledBlouse } from '../../../demo/test-garments'
import { tried } from '../../../demo/test-kinds'
import { makeBody } from '../../../scripts/study/make-body'
import { askedGiven, planFromBody } from '../../advice'
import { applyAffine, distance, mapPath, tangentAt, turnRad } from '../../geometry'
import { walkGarment } from '../../match'
import { findZones, finishedMm } from '../../measure'
import { checkGarment, edgePath, findPiece, shapeOf, type Garment } from '../../pattern'
import { bodyLengths, otherMeasures } from '../../size'
import { findArmholes, HALVES, shoulderAbove, shoulderLength, type Half } from '../../seams'
import { DEG } from '../../units'
import { findKind } from '../registry'
import { contextWith } from '../test-context'

const panelled = panelledBlouse()
const whole = draftDartless()

/** Where the shoulder crosses the panel seam of a half: how far it turns there as sewn, deg, and how far its parts lie apart, mm. */
function atPanel(garment: Garment, half: Half): { turnDeg: number; apartMm: number } {
  const above = shoulderAbove(garment, findArmholes(garment)[0]![half], 'one')
  const { shoulder, piece, lay } = above.panel!
  // Both shoulders of this garment are drawn from the neck outward.
  const inner = mapPath(edgePath(shapeOf(findPiece(garment, piece.id)!, 'one'), shoulder.edgeId), (p) => applyAffine(lay, p))
  const outer = edgePath(shapeOf(above.piece, 'one'), above.shoulder[0]!.edgeId)
  const [last, first] = [inner.at(-1)!, outer[0]!]
  return { turnDeg: Math.abs(turnRad(tangentAt(last, 1), tangentAt(first, 0))) * DEG, apartMm: distance(last.to, first.from) }
}

describe('a blouse whose halves are parted by a seam from the shoulder to the hem', () => {
  it('measures round the body alike, wherever the seam begins', () => {
    const fromArmhole = panelledBlouse('armhole')
    for (const id of ['high-bust', 'bust', 'waist']) {
      const [a, b] = [panelled, fromArmhole].map((g) =>
        finishedMm(
          g,
          findZones(g).find((z) => z.id === id)!,
          'one',
        ),
      )
      expect(Math.abs(a! - b!), id).toBeLessThan(2)
    }
    const away = walkGarment(fromArmhole, 'one').seams.map((s) => Math.abs(s.offMm))
    expect(Math.max(...away)).toBeLessThan(0.01)
  })
  it('measures as the same blouse unparted: round the body, its lengths, its shoulders', () => {
    for (const zone of findZones(whole).filter((z) => ['high-bust', 'bust', 'waist'].includes(z.id))) {
      const same = findZones(panelled).find((z) => z.id === zone.id)!
      // A whole front is measured over its apex, aslant from there to the side; panels are measured across.
      const allowedMm = zone.id === 'bust' ? 8 : 1
      expect(Math.abs(finishedMm(panelled, same, 'one') - finishedMm(whole, zone, 'one')), zone.id).toBeLessThan(allowedMm)
    }
    expect(findZones(panelled).find((z) => z.id === 'bust')!.parts).toHaveLength(4)
    const figures = (g: Garment) => new Map([...bodyLengths(g, null), ...otherMeasures(g, null)].map((r) => [r.id, r.garmentMm]))
    for (const id of ['back-neck-to-waist', 'front-to-waist', 'underarm-to-waist', 'arm-length'])
      expect(Math.abs(figures(panelled).get(id)! - figures(whole).get(id)!), id).toBeLessThan(1)
    for (const half of HALVES) {
      const above = shoulderAbove(panelled, findArmholes(panelled)[0]![half], 'one')
      expect(above.panel?.piece.id).toBe(half)
      const path = [edgePath(shapeOf(findPiece(panelled, half)!, 'one'), 'shoulder'), edgePath(shapeOf(above.piece, 'one'), 'shoulder')]
      expect(shoulderLength(panelled, above, 'one')).toBeCloseTo(distance(path[0]![0]!.from, path[1]!.at(-1)!.to), 6)
    }
  })

  it.each([
    ['shoulder-forward', { amountMm: 10, sleeve: 'slide', acrossMm: 6 }],
    ['shoulder-forward', { amountMm: -8, sleeve: 'notch', acrossMm: 0 }],
    ['shoulder-slope', { amountMm: 9, armhole: 'kept' }],
    ['shoulder-slope', { amountMm: -9, armhole: 'grows' }],
  ] as const)('%s %o turns the whole shoulder about the neck: no corner at the panel, whose seam stays alike', (kind, inputs) => {
    const found = findKind(kind as string)!
    const result = found.apply(panelled, inputs, contextWith())
    if (!result.ok) throw new Error(result.problem.message)
    const applied = result.value
    const after = applied.garment
    expect(applied.held.filter((h) => !h.held)).toEqual([])
    expect(checkGarment(after)).toBeNull()
    for (const half of HALVES) {
      const { turnDeg, apartMm } = atPanel(after, half)
      expect(turnDeg, half).toBeLessThan(0.05)
      expect(apartMm, half).toBeLessThan(0.01)
      const of = (g: Garment) => shoulderAbove(g, findArmholes(g)[0]![half], 'one')
      expect(Math.abs(shoulderLength(after, of(after), 'one') - shoulderLength(panelled, of(panelled), 'one'))).toBeLessThan(0.05)
      // It turned: the inner part of the shoulder has another direction than it had.
      const along = (g: Garment) => tangentAt(edgePath(shapeOf(findPiece(g, half)!, 'one'), 'shoulder')[0]!, 0)
      expect(Math.abs(turnRad(along(panelled), along(after))) * DEG, half).toBeGreaterThan(2)
    }
    for (const seam of walkGarment(after, 'one').seams) expect(Math.abs(seam.offMm), seam.seam.id).toBeLessThan(0.5)
  })

  it.each([10, -10])('its shoulders become broader or narrower by %d mm, with hardly a corner at the panel', (amountMm) => {
    const kind = findKind('shoulder-width')
    const begun = kind.begin(panelled, contextWith())
    if (!begun.ok) throw new Error(begun.problem.message)
    const applied = tried(kind, panelled, { ...begun.value, amountMm })!
    expect(applied.held.filter((h) => !h.held)).toEqual([])
    for (const half of HALVES) expect(atPanel(applied.garment, half).turnDeg).toBeLessThan(5)
  })

  it.each(['shoulder', 'armhole'] as const)(
    'parted from the %s, a body is planned for on all its panels: bust and waist, the back to the waist, shoulders and sleeves',
    (begins) => {
      const garment = panelledBlouse(begins)
      expect(checkGarment(garment)).toBeNull()
      for (const seed of [1, 2, 6, 12]) {
        const context = contextWith({ sizeId: 'one', body: makeBody(seed), bought: garment })
        const { stops, folded } = planFromBody(garment, context)
        expect(stops.length).toBeGreaterThan(3)
        expect(folded.stops.flatMap((s) => s.applied?.held ?? []).filter((h) => !h.held)).toEqual([])
        const rows = askedGiven(garment, folded.garment, folded.stops, context)
        const left = (id: string) => rows.find((r) => r.id === id)?.leftMm ?? 0
        for (const id of ['bust', 'waist']) expect(Math.abs(left(id)), `${seed} ${id}`).toBeLessThan(2)
        for (const id of ['shoulder', 'arm-length', 'back-neck-to-waist']) expect(Math.abs(left(id)), `${seed} ${id}`).toBeLessThan(3)
        for (const seam of walkGarment(folded.garment, folded.garment.baseSizeId).seams)
          expect(Math.abs(seam.offMm), `${seed} ${seam.seam.id}`).toBeLessThan(0.5)
      }
    },
  )
})
