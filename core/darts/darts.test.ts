import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  distance,
  line,
  measureArea,
  measureLength,
  mix,
  nearestPlace,
  placeAt,
  rotateAbout,
  subtract,
  turnRad,
  type Point,
} from '../geometry'
import {
  checkGarment,
  dartFigures,
  dartIn,
  edgeFamily,
  edgePath,
  outlineOf,
  shapeOf,
  type EdgeRole,
  type Garment,
  mapShapes,
} from '../pattern'
import { deepFreeze, garmentOf, polygonPiece } from '../pattern/test-pieces'
import { angleFrom, findApex, meetMiddles, mergeDarts, missOfApex, moveDart, takeInFold } from './index'

const DEG = 180 / Math.PI
const APEX = { x: 95, y: 268 }
const UNDERARM = { x: 232, y: 232 }
const WAIST = { x: 205, y: 415 }

/** The front of the worked cases, with darts to the apex: each parts the edge of its role. */
function front(darts: { id: string; role: EdgeRole; first: Point; second: Point }[], apex = APEX): Garment {
  const corners: Point[] = []
  const roles: EdgeRole[] = []
  const walls: [EdgeRole, Point][] = [
    ['neck', { x: 0, y: 90 }],
    ['shoulder', { x: 78, y: 0 }],
    ['armhole', { x: 192, y: 38 }],
    ['side', UNDERARM],
    ['waist', WAIST],
    ['centre-front', { x: 0, y: 415 }],
  ]
  const legs: [string, number][] = []
  for (const [role, from] of walls) {
    corners.push(from)
    roles.push(role)
    for (const d of darts.filter((x) => x.role === role)) {
      legs.push([d.id, corners.length])
      corners.push(d.first, apex, d.second)
      roles.push('dart-leg', 'dart-leg', role)
    }
  }
  const piece = polygonPiece('front', 'front', corners, roles, { fold: roles.length - 1 })
  const entries = legs.map(([id, k]) => ({ id, name: id, legs: [`e${k}`, `e${k + 1}`] as [string, string], pressTo: 'after' as const }))
  const made = { ...piece, darts: entries, points: [{ id: 'apex', name: 'apex', role: 'apex' as const }] }
  return deepFreeze(garmentOf([{ ...made, shapes: { one: { ...shapeOf(piece, 'one'), points: { apex } } } }]))
}
const SIDE = { id: 'side', role: 'side' as const, first: { x: 217.15, y: 332.65 }, second: { x: 212.29, y: 365.59 } }
const apexOf = () => APEX
const dartOf = (g: Garment, id: string) => ({ piece: g.pieces[0]!, dart: dartIn(g.pieces[0]!, id) })
const figures = (g: Garment, id: string) => {
  const { piece, dart } = dartOf(g, id)
  return dartFigures(piece, shapeOf(piece, 'one'), dart)
}
const angleDeg = (g: Garment, id: string, apex = APEX) => {
  const { piece, dart } = dartOf(g, id)
  return angleFrom(apex, shapeOf(piece, 'one'), dart) * DEG
}
const edgeOf = (g: Garment, role: EdgeRole) => g.pieces[0]!.edges.filter((e) => e.role === role)
/** Where a ray from the apex meets an edge, as a place on it. */
const mouthAt = (edgeId: string, atMm: number) => () => ({ edgeId, fromMm: atMm, toMm: atMm })

describe('mark lines when a dart is moved', () => {
  /** The front with a bust line through its apex, and a line of no level across it. */
  const lined = (() => {
    const garment = front([SIDE])
    const piece = garment.pieces[0]!
    const shape = shapeOf(piece, 'one')
    const lines = [
      { id: 'bust', name: 'bust line', role: 'bust' as const },
      { id: 'pocket', name: 'pocket', role: 'other' as const },
    ]
    const at = { bust: [line({ x: 10, y: 268 }, { x: 215, y: 268 })], pocket: [line({ x: 60, y: 150 }, { x: 180, y: 380 })] }
    return deepFreeze({ ...garment, pieces: [{ ...piece, lines, shapes: { one: { ...shape, lines: at } } }] })
  })()
  const moved = () => {
    const mouthOf = mouthAt(edgeOf(lined, 'waist')[0]!.id, 112)
    const { garment } = moveDart(lined, { pieceId: 'front', dartId: 'side', apexOf, mouthOf, share: 1, trued: false })
    return shapeOf(garment.pieces[0]!, 'one')
  }
  it('a level stays at the height of its end that has not turned, as wide as the paper carries it', () => {
    const [was, is] = [shapeOf(lined.pieces[0]!, 'one').lines.bust![0]!, moved().lines.bust![0]!]
    expect(is.from).toEqual(was.from)
    expect(is.to.y).toBeCloseTo(was.from.y, 9)
    expect(Math.abs(is.to.x - was.to.x)).toBeLessThan(15)
  })
  it('any other line goes with the paper at both its ends', () => {
    const [was, is] = [shapeOf(lined.pieces[0]!, 'one').lines.pocket![0]!, moved().lines.pocket![0]!]
    for (const end of ['from', 'to'] as const) expect(distance(is[end], APEX)).toBeCloseTo(distance(was[end], APEX), 6)
    expect(is).not.toEqual(was)
  })
})

describe('moving a dart', () => {
  it('worked case 1: onto the cross-grain', () => {
    const garment = front([SIDE])
    const side = edgeOf(garment, 'side')[0]!
    // The cut leaves the apex half the angle above the cross-grain.
    const up = rotateAbout({ x: 400, y: 268 }, APEX, -11.871 / 2 / DEG)
    const k = (up.y - APEX.y) / (up.x - APEX.x)
    const slope = (WAIST.x - UNDERARM.x) / (WAIST.y - UNDERARM.y)
    const y = (APEX.y + k * (UNDERARM.x - slope * UNDERARM.y - APEX.x)) / (1 - k * slope)
    const cut = { x: UNDERARM.x + slope * (y - UNDERARM.y), y }
    const { garment: after } = moveDart(garment, {
      pieceId: 'front',
      dartId: 'side',
      apexOf,
      mouthOf: mouthAt(side.id, distance(UNDERARM, cut)),
      share: 1,
      trued: false,
    })
    const d = figures(after, 'side')
    expect(distance(d.first, { x: 228.74, y: 254.096 })).toBeLessThan(0.01)
    expect(distance(d.second, { x: 228.74, y: 281.904 })).toBeLessThan(0.01)
    expect(d.intakeMm).toBeCloseTo(27.809, 2)
    expect(d.angleRad * DEG).toBeCloseTo(11.871, 3)
    // The upper leg has swung onto the lower one: where the two parts of the side meet, the old lower leg ran.
    const sides = edgeOf(after, 'side').map((e) => edgePath(shapeOf(after.pieces[0]!, 'one'), e.id))
    const met = sides[1]![sides[1]!.length - 1]!.to
    expect(met).toEqual(sides[2]![0]!.from)
    expect(turnRad(subtract(met, APEX), subtract(SIDE.second, APEX)) * DEG).toBeCloseTo(0, 3)
  })

  it('worked case 2: to the waist', () => {
    const garment = front([SIDE])
    const waist = edgeOf(garment, 'waist')[0]!
    // The waist is walked from the side; 45 % of it from the centre.
    const { garment: after } = moveDart(garment, {
      pieceId: 'front',
      dartId: 'side',
      apexOf,
      mouthOf: mouthAt(waist.id, 205 * 0.55),
      share: 1,
      trued: false,
    })
    const d = figures(after, 'side')
    expect(d.firstMm).toBeCloseTo(147.026, 2)
    expect(d.intakeMm).toBeCloseTo(30.408, 2)
    expect(d.angleRad * DEG).toBeCloseTo(11.871, 3)
  })

  it('worked case 3: a pinned armhole fold into a waist dart', () => {
    const pins: [Point, Point] = [
      { x: 214, y: 150 },
      { x: 218, y: 164 },
    ]
    const dart = { id: 'waist', role: 'waist' as const, first: { x: 112, y: 415 }, second: { x: 84, y: 415 } }
    const plain = front([dart])
    const k = plain.pieces[0]!.edges.findIndex((e) => e.role === 'armhole')
    // The armhole through the two pins.
    const garment = mapShapes(plain, 'front', (piece, shape) => ({
      ...shape,
      edges: {
        ...shape.edges,
        [piece.edges[k]!.id]: [
          { kind: 'line', from: { x: 192, y: 38 }, to: pins[0] },
          { kind: 'line', from: pins[0], to: pins[1] },
          { kind: 'line', from: pins[1], to: UNDERARM },
        ],
      },
    }))
    const at = distance({ x: 192, y: 38 }, pins[0])
    const mouthOf = () => ({ edgeId: edgeOf(garment, 'armhole')[0]!.id, fromMm: at, toMm: at + distance(...pins) })
    expect(angleDeg(garment, 'waist')).toBeCloseTo(10.876, 3)
    const after = takeInFold(garment, 'front', 'waist', mouthOf, apexOf, true)
    expect(angleDeg(after, 'waist')).toBeCloseTo(15.419, 3)
    expect(figures(after, 'waist').intakeMm).toBeCloseTo(39.703, 2)
    expect(figures(after, 'waist').firstMm).toBeCloseTo(figures(after, 'waist').secondMm, 3)
    expect(checkGarment(after)).toBeNull()
    expect(edgeOf(after, 'armhole')).toHaveLength(1)
  })

  it('keeps, on generated fronts, the angle, the edges outside and the paper; and comes back from eight places', () => {
    const property = fc.property(
      fc.record({
        apex: fc.record({ x: fc.double({ min: 80, max: 110, noNaN: true }), y: fc.double({ min: 240, max: 290, noNaN: true }) }),
        at: fc.double({ min: 0.25, max: 0.8, noNaN: true }),
        angle: fc.double({ min: 4, max: 20, noNaN: true }),
        places: fc.array(
          fc.record({
            role: fc.constantFrom<EdgeRole>('shoulder', 'armhole', 'side', 'waist'),
            share: fc.double({ min: 0.03, max: 0.97, noNaN: true }),
          }),
          { minLength: 8, maxLength: 8 },
        ),
      }),
      ({ apex, at, angle, places }) => {
        // A dart whose legs are equal: the side below it turned open about the apex.
        const mouth = mix(UNDERARM, WAIST, at)
        const garment = front([{ id: 'side', role: 'side', first: mouth, second: rotateAbout(mouth, apex, angle / DEG) }], apex)
        if (checkGarment(garment)) return
        const home = edgeOf(garment, 'side')[0]!
        const area = (g: Garment) => measureArea(outlineOf(g.pieces[0]!, shapeOf(g.pieces[0]!, 'one')))
        const lengthOf = (g: Garment, role: EdgeRole) =>
          edgeOf(g, role).reduce((sum, e) => sum + measureLength(edgePath(shapeOf(g.pieces[0]!, 'one'), e.id)), 0)
        let now = garment
        const go = (edgeId: string, atMm: number) => {
          now = moveDart(now, {
            pieceId: 'front',
            dartId: 'side',
            apexOf: () => apex,
            mouthOf: mouthAt(edgeId, atMm),
            share: 1,
            trued: false,
          }).garment
        }
        for (const { role, share } of places) {
          const edges = edgeOf(now, role)
          const edge = edges[Math.min(edges.length - 1, Math.floor(share * edges.length))]!
          go(edge.id, measureLength(edgePath(shapeOf(now.pieces[0]!, 'one'), edge.id)) * share)
          expect(Math.abs(angleDeg(now, 'side', apex) - angle)).toBeLessThan(0.001)
          for (const r of ['neck', 'shoulder', 'armhole', 'side', 'waist', 'centre-front'] as const)
            expect(Math.abs(lengthOf(now, r) - lengthOf(garment, r)), r).toBeLessThan(0.01)
          expect(Math.abs(area(now) - area(garment))).toBeLessThan(1)
          const d = figures(now, 'side')
          expect(Math.abs(d.firstMm - d.secondMm)).toBeLessThan(0.01)
        }
        // Home is the end of the edge that it began behind, which may be parted by now.
        const parts = now.pieces[0]!.edges.filter((e) => edgeFamily(e.id) === home.id)
        const last = parts[parts.length - 1]!
        go(last.id, measureLength(edgePath(shapeOf(now.pieces[0]!, 'one'), last.id)))
        const [was, is] = [shapeOf(garment.pieces[0]!, 'one'), shapeOf(now.pieces[0]!, 'one')]
        expect(now.pieces[0]!.edges.map((e) => e.id)).toEqual(garment.pieces[0]!.edges.map((e) => e.id))
        for (const edge of garment.pieces[0]!.edges) {
          if (edge.role === 'dart-leg') continue
          const [a, b] = [edgePath(was, edge.id), edgePath(is, edge.id)]
          expect(distance(a[0]!.from, b[0]!.from)).toBeLessThan(0.01)
          expect(distance(a[a.length - 1]!.to, b[b.length - 1]!.to)).toBeLessThan(0.01)
        }
      },
    )
    fc.assert(property, { numRuns: 40 })
  })

  it('splits by share of the angle, merges again, and what was split off closes without a trace', () => {
    const garment = front([SIDE])
    const { garment: two, dartId } = moveDart(garment, {
      pieceId: 'front',
      dartId: 'side',
      apexOf,
      mouthOf: mouthAt(edgeOf(garment, 'waist')[0]!.id, 100),
      share: 0.4,
      trued: false,
    })
    expect(angleDeg(two, 'side')).toBeCloseTo(angleDeg(garment, 'side') * 0.6, 6)
    expect(angleDeg(two, dartId)).toBeCloseTo(angleDeg(garment, 'side') * 0.4, 6)
    expect(edgeOf(two, 'waist')).toHaveLength(2)
    const one = mergeDarts(two, 'front', dartId, 'side', apexOf, false)
    expect(edgeOf(one, 'waist')).toHaveLength(1)
    for (const e of garment.pieces[0]!.edges)
      expect(
        distance(edgePath(shapeOf(one.pieces[0]!, 'one'), e.id)[0]!.from, edgePath(shapeOf(garment.pieces[0]!, 'one'), e.id)[0]!.from),
      ).toBeLessThan(1e-6)
  })

  it('takes seams, notches and the other pieces’ marks along', () => {
    const plain = front([SIDE])
    const waist = edgeOf(plain, 'waist')[0]!
    const piece = plain.pieces[0]!
    const shape = shapeOf(piece, 'one')
    const notched: Garment = {
      ...plain,
      pieces: [
        {
          ...piece,
          notches: [
            { id: 'near', name: 'near', edgeId: waist.id },
            { id: 'far', name: 'far', edgeId: waist.id },
          ],
          shapes: { one: { ...shape, notches: { near: { from: 'start', distanceMm: 30 }, far: { from: 'start', distanceMm: 180 } } } },
        },
      ],
      seams: [
        {
          id: 's',
          name: 'waist',
          sides: [[{ pieceId: 'front', edgeId: waist.id, reversed: true }], [{ pieceId: 'front', edgeId: waist.id, reversed: false }]],
          wantedEase: { minMm: 0, maxMm: 0 },
          marks: [],
        },
      ],
    }
    const { garment: after } = moveDart(notched, {
      pieceId: 'front',
      dartId: 'side',
      apexOf,
      mouthOf: mouthAt(waist.id, 100),
      share: 1,
      trued: true,
    })
    expect(checkGarment(after)).toBeNull()
    const rest = `${waist.id}>side`
    expect(after.seams[0]!.sides.map((s) => s.map((r) => r.edgeId))).toEqual([
      [rest, waist.id],
      [waist.id, rest],
    ])
    const notches = after.pieces[0]!.notches
    expect(notches.map((n) => n.edgeId)).toEqual([waist.id, rest])
    const far = shapeOf(after.pieces[0]!, 'one').notches.far!
    expect(far).toEqual({ from: 'end', distanceMm: expect.closeTo(25, 6) as number })
    // The side in which it closed runs smoothly.
    const sides = edgeOf(after, 'side').map((e) => edgePath(shapeOf(after.pieces[0]!, 'one'), e.id))
    const [a, b] = [placeAt(sides[0]!, measureLength(sides[0]!)), placeAt(sides[1]!, 0)]
    expect(Math.abs(Math.atan2(a.tangent.x * b.tangent.y - a.tangent.y * b.tangent.x, 1)) * DEG).toBeLessThan(1)
  })
})

describe('finding the apex', () => {
  it('takes the marked one the dart points at, else a place beyond the tip by its kind', () => {
    const garment = front([SIDE])
    const { piece, dart } = dartOf(garment, 'side')
    expect(findApex(piece, shapeOf(piece, 'one'), dart)).toEqual({ point: APEX, markId: 'apex' })
    const unmarked = { ...piece, points: [] }
    const found = findApex(unmarked, shapeOf(piece, 'one'), dart)
    expect(found.markId).toBeNull()
    expect(distance(found.point, APEX)).toBeCloseTo(38, 6)
    expect(missOfApex(piece, shapeOf(piece, 'one'), dart, found.point)).toBeLessThan(1e-9)
  })
  it('shows where two middle lines meet, and by how much each misses a place', () => {
    const dart = { id: 'waist', role: 'waist' as const, first: { x: 112, y: 415 }, second: { x: 84, y: 415 } }
    const garment = front([SIDE, dart])
    const { piece } = dartOf(garment, 'side')
    const shape = shapeOf(piece, 'one')
    const met = meetMiddles(piece, shape, piece.darts[0]!, piece.darts[1]!)!
    for (const d of piece.darts) expect(missOfApex(piece, shape, d, met)).toBeLessThan(1e-9)
    expect(missOfApex(piece, shape, piece.darts[1]!, { ...APEX, x: APEX.x + 10 })).toBeGreaterThan(9)
    expect(nearestPlace(outlineOf(piece, shape), met).distanceMm).toBeLessThan(5)
  })
})
