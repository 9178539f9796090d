import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftArmholeDart, draftSlantedDart } from '../../../demo/dart-blouses'
import { measureLength, nearestPlace, placeAt, subtract, turnRad } from '../../geometry'
import { edgePath, type EdgeRole, type Garment } from '../../pattern'
import { garmentOf, polygonPiece } from '../../pattern/test-pieces'
import { splitDart } from '../split-dart'
import { moveDartKind, type MoveDartInputs } from '.'
import { dartTrack } from '../shared/darts/places'
import { context, apply, front, shape, figures } from '../shared/darts/test-darts'

const DEG = 180 / Math.PI

describe('move and split a dart', () => {
  const begun = (garment: Garment) => {
    const inputs = moveDartKind.begin(garment, context)
    if (!inputs.ok) throw new Error(inputs.problem.message)
    return inputs.value
  }
  it('by dragging along the outline keeps the angle and shows another intake; it snaps to corners and across the grain', () => {
    const garment = draftArmholeDart()
    const inputs = begun(garment)
    expect(front(garment).edges.find((e) => e.id === inputs.edgeId)!.role).toBe('side')
    const one = apply(moveDartKind, garment, inputs)
    const dragged = moveDartKind.drag(garment, inputs, 'first', 70, context)
    const two = apply(moveDartKind, garment, dragged)
    const apex = shape(garment).points.apex!
    const angle = (g: Garment) => turnRad(subtract(figures(g).first, apex), subtract(figures(g).second, apex)) * DEG
    expect(Math.abs(angle(one.garment) - angle(garment))).toBeLessThan(0.001)
    expect(Math.abs(angle(two.garment) - angle(garment))).toBeLessThan(0.001)
    expect(figures(two.garment).intakeMm).not.toBeCloseTo(figures(one.garment).intakeMm, 0)
    // Within four millimetres of the corner at the underarm it rests on the corner.
    const back = moveDartKind.drag(garment, { ...inputs, atMm: 30 }, 'first', -28, context)
    expect(Math.min(back.atMm, measureLength(edgePath(shape(garment), back.edgeId)) - back.atMm)).toBeLessThan(0.011)
    const handle = moveDartKind.handles(garment, inputs, one, context)[0]!
    expect(nearestPlace(handle.track!, handle.at).distanceMm).toBeLessThan(0.01)
  })
  it('stays where it is when it is dragged into its own mouth, from either side', () => {
    const garment = draftBlouse()
    const upper = measureLength(edgePath(shape(garment), 'side-upper'))
    for (const place of [
      { edgeId: 'side-upper', atMm: upper },
      { edgeId: 'side-lower', atMm: 0 },
    ]) {
      const done = apply(moveDartKind, garment, { ...begun(garment), ...place, trued: false })
      expect(figures(done.garment).first).toEqual(figures(garment).first)
      expect(done.moves).toEqual([])
    }
  })
  it('has the whole open outline to lie on, and neither fold nor legs', () => {
    const garment = draftBlouse()
    const { edges, path } = dartTrack(front(garment), shape(garment))
    expect(edges.map((e) => e.edge.role)).not.toContain('dart-leg')
    expect(edges.every((e) => !e.edge.fold)).toBe(true)
    expect(measureLength(path)).toBeCloseTo(
      edges.reduce((sum, e) => sum + e.lengthMm, 0),
      3,
    )
  })
  it('splits by share, and refuses a place beside its edge with what is there', () => {
    const inputs = splitDart.begin(draftBlouse(), context)
    if (!inputs.ok) throw new Error('no dart')
    const done = apply(splitDart, draftBlouse(), { ...inputs.value, sharePct: 30 })
    expect(front(done.garment).darts).toHaveLength(2)
    const beside: MoveDartInputs = { ...begun(draftBlouse()), atMm: 9000 }
    const refused = moveDartKind.apply(draftBlouse(), beside, context)
    expect(!refused.ok && refused.problem.code).toBe('beside-edge')
  })
  it('warns of a tip on the apex, of an end near the armhole, and of so wide a dart that two are better; a click mends each', () => {
    const garment = draftBlouse()
    const mendOf = (inputs: MoveDartInputs, code: string, of = garment) => {
      const caution = apply(moveDartKind, of, inputs).cautions.find((c) => c.code === code)!
      const mended = apply(moveDartKind, of, caution.mend!.inputs as MoveDartInputs)
      expect(mended.cautions.map((c) => c.code)).not.toContain(code)
    }
    mendOf({ ...begun(garment), tipBackMm: 0 }, 'tip-on-apex')
    const slanted = draftSlantedDart()
    mendOf({ ...begun(slanted), edgeId: 'side-upper', atMm: 12, tipBackMm: 38 }, 'near-armhole', slanted)
    // A front whose side dart has well over 60 degrees.
    const tip = { x: 150, y: 260 }
    const corners = [
      { x: 0, y: 60 },
      { x: 90, y: 0 },
      { x: 200, y: 40 },
      { x: 260, y: 165 },
      tip,
      { x: 260, y: 355 },
      { x: 250, y: 520 },
      { x: 0, y: 520 },
    ]
    const roles: EdgeRole[] = ['neck', 'shoulder', 'armhole', 'dart-leg', 'dart-leg', 'side', 'hem', 'centre-front']
    const piece = polygonPiece('front', 'front', corners, roles, { fold: 7 })
    const wide = garmentOf([{ ...piece, darts: [{ id: 'side-dart', name: 'side dart', legs: ['e3', 'e4'], pressTo: 'after' }] }])
    mendOf({ ...begun(wide), edgeId: 'e6', atMm: 120, tipBackMm: 25 }, 'wide-dart', wide)
  })
  it('leaves a corner of the piece a corner when it is moved there and away again', () => {
    const garment = draftBlouse()
    const armhole = measureLength(edgePath(shape(garment), 'armhole'))
    const there = apply(moveDartKind, garment, { ...begun(garment), edgeId: 'armhole', atMm: armhole }).garment
    const away = apply(moveDartKind, there, { ...begun(there), edgeId: 'side-lower', atMm: 40 }).garment
    const corner = (g: Garment) => front(g).corners[front(g).edges.findIndex((e) => e.id === 'side-upper')]!
    expect(corner(away)).toEqual(corner(garment))
    const angle = (g: Garment) => {
      const [arm, side] = [edgePath(shape(g), 'armhole'), edgePath(shape(g), 'side-upper')]
      const end = placeAt(arm, measureLength(arm))
      return turnRad(end.tangent, placeAt(side, 0).tangent) * DEG
    }
    expect(angle(away)).toBeCloseTo(angle(garment), 1)
  })
})
