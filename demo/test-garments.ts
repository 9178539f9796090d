import { DEG } from '../core/units'
import fc from 'fast-check'
import { draftBlouse } from './blouse'
import { draftDartless } from './dart-blouses'
import { draftJacket } from './jacket'
import { countInflections, cubic, cutPath, line, measureLength, reversePath, tangentAt, turnRad, type Path } from '../core/geometry'
import { checkGarment, edgePath, findPiece, shapeOf, type Garment, type Piece } from '../core/pattern'

/** For tests: the sharpest turn at a join inside a path, deg. */
export const sharpestJoin = (path: Path): number =>
  Math.max(0, ...path.slice(1).map((s, i) => Math.abs(turnRad(tangentAt(path[i]!, 1), tangentAt(s, 0)) * DEG)))

/** For tests: every edge of a garment in a size, with its line. */
export const edgesOf = (garment: Garment, sizeId = 'one') =>
  garment.pieces.flatMap((p) => p.edges.map((e) => ({ name: `${p.id} ${e.id}`, path: edgePath(shapeOf(p, sizeId), e.id) })))

/** A bend back that was there, but less than an eye sees, may have become one that is seen, deg. */
const HIDDEN_BEND_DEG = 0.3

/** For tests: does a line that was redrawn bend back where it did not, not even unseen? */
export const bendsAnew = (old: Path, path: Path): boolean => countInflections(path) > countInflections(old, HIDDEN_BEND_DEG)

/** For tests: edges that were redrawn with a corner or a bend back that was not there, in words. */
export function blemishes(before: Garment, after: Garment, sizeId = 'one'): string[] {
  const was = new Map(edgesOf(before, sizeId).map((e) => [e.name, e.path]))
  return edgesOf(after, sizeId).flatMap(({ name, path }) => {
    const old = was.get(name)
    if (!old || old === path) return []
    const corner = sharpestJoin(path)
    const more = countInflections(path) - countInflections(old)
    return [
      ...(corner > Math.max(1, sharpestJoin(old) + 0.01) ? [`${name}: corner of ${corner.toFixed(2)} deg`] : []),
      ...(more > 0 ? [`${name}: ${more} bends back more`] : []),
    ]
  })
}

/** For tests: the blouse with its back parted into a yoke and a lower back, without a dart in the shoulder. */
export function yokedBlouse(): Garment {
  const blouse = draftBlouse()
  const back = findPiece(blouse, 'back')!
  const shape = shapeOf(back, 'one')
  const armhole = edgePath(shape, 'armhole')
  const [neck, fold, side, hem] = ['neck', 'fold', 'side', 'hem'].map((id) => edgePath(shape, id))
  const cutAt = 95
  const upper = cutPath(armhole, 0, cutAt)
  const lower = cutPath(armhole, cutAt, measureLength(armhole))
  const at = upper[upper.length - 1]!.to
  const onFold = { x: fold![0]!.from.x, y: at.y }
  const edge = (id: string, role: Piece['edges'][number]['role'], isFold = false) => ({
    id,
    name: id,
    role,
    fold: isFold,
    allowanceMm: isFold ? 0 : 10,
  })
  const piece = (id: string, edges: ReturnType<typeof edge>[], paths: Path[]): Piece => ({
    ...back,
    id,
    name: id,
    kind: id === 'yoke' ? 'other' : 'back',
    edges,
    corners: edges.map((e) => ({ id: `at-${e.id}`, name: `at ${e.id}` })),
    notches: [],
    darts: [],
    lines: [],
    points: [],
    shapes: {
      one: { edges: Object.fromEntries(edges.map((e, i) => [e.id, paths[i]!])), notches: {}, lines: {}, points: {}, grain: shape.grain },
    },
  })
  const tip = armhole[0]!.from
  const yoke = piece(
    'yoke',
    [
      edge('neck', 'neck'),
      edge('shoulder', 'shoulder'),
      edge('armhole', 'armhole'),
      edge('yoke', 'panel'),
      edge('fold', 'centre-back', true),
    ],
    [neck!, [line(neck![neck!.length - 1]!.to, tip)], upper, [line(at, onFold)], [line(onFold, neck![0]!.from)]],
  )
  const low = piece(
    'back',
    [edge('yoke', 'panel'), edge('armhole', 'armhole'), edge('side', 'side'), edge('hem', 'hem'), edge('fold', 'centre-back', true)],
    [[line(onFold, at)], lower, side!, hem!, [line(fold![0]!.from, onFold)]],
  )
  const run = (pieceId: string, edgeId: string, reversed = false) => ({ pieceId, edgeId, reversed })
  const none = { minMm: 0, maxMm: 0 }
  return {
    ...blouse,
    pieces: [...blouse.pieces.filter((p) => p.id !== 'back' && p.id !== 'neckband'), yoke, low],
    seams: [
      {
        id: 'shoulder',
        name: 'shoulder seam',
        sides: [[run('front', 'shoulder')], [run('yoke', 'shoulder')]],
        wantedEase: { minMm: -20, maxMm: 20 },
        marks: [],
      },
      { id: 'yoke', name: 'yoke seam', sides: [[run('yoke', 'yoke')], [run('back', 'yoke', true)]], wantedEase: none, marks: [] },
      {
        id: 'side',
        name: 'side seam',
        sides: [[run('front', 'side-upper'), run('front', 'side-lower')], [run('back', 'side')]],
        wantedEase: none,
        marks: [],
      },
      {
        id: 'armhole',
        name: 'armhole seam',
        sides: [[run('sleeve', 'cap')], [run('back', 'armhole', true), run('yoke', 'armhole', true), run('front', 'armhole')]],
        wantedEase: { minMm: 15, maxMm: 30 },
        marks: [
          [
            { pieceId: 'sleeve', notchId: 'top' },
            { pieceId: 'front', cornerId: 'at-armhole' },
          ],
        ],
      },
      {
        id: 'sleeve',
        name: 'sleeve seam',
        sides: [[run('sleeve', 'seam-front')], [run('sleeve', 'seam-back', true)]],
        wantedEase: none,
        marks: [],
      },
    ],
  }
}

/** For tests: the blouse without darts, its front and back parted by a seam each from the middle of the shoulder, or of the armhole, to the hem. */
export function panelledBlouse(begins: 'shoulder' | 'armhole' = 'shoulder'): Garment {
  const blouse = draftDartless()
  const edge = (id: string, role: Piece['edges'][number]['role'], isFold = false) => ({
    id,
    name: id,
    role,
    fold: isFold,
    allowanceMm: isFold ? 0 : 10,
  })
  const parted = (half: 'front' | 'back'): [Piece, Piece] => {
    const whole = findPiece(blouse, half)!
    const shape = shapeOf(whole, 'one')
    const path = (id: string) => edgePath(shape, id)
    const hem = path('hem')
    const isFromShoulder = begins === 'shoulder'
    const shoulder: Path = [line(path('neck').at(-1)!.to, path('armhole')[0]!.from)]
    const upper = isFromShoulder ? shoulder : path('armhole')
    const atUpper = measureLength(upper) * (isFromShoulder ? 0.5 : 0.45)
    // The hem runs from the side to the fold.
    const atHem = measureLength(hem) * 0.55
    const [inner, outer] = [cutPath(upper, 0, atUpper), cutPath(upper, atUpper, measureLength(upper))]
    const [hemOut, hemIn] = [cutPath(hem, 0, atHem), cutPath(hem, atHem, measureLength(hem))]
    const [from, to] = [inner.at(-1)!.to, hemIn[0]!.from]
    const down = to.y - from.y
    const lead = isFromShoulder ? { x: from.x, y: from.y + down / 3 } : { x: from.x - 55, y: from.y + 20 }
    const panel: Path = [cubic(from, lead, { x: to.x, y: from.y + (isFromShoulder ? 2 / 3 : 0.4) * down }, to)]
    const piece = (id: string, edges: ReturnType<typeof edge>[], paths: Path[], grainX: number): Piece => ({
      ...whole,
      id,
      name: id,
      edges,
      corners: edges.map((e) => ({ id: `at-${e.id}`, name: `at ${e.id}` })),
      cut: id === half ? whole.cut : { count: 2, mirrored: true },
      notches: [],
      darts: [],
      // Printed on the side alone: toward the centre they go on over the seam.
      lines: id === half ? [] : whole.lines,
      points: [],
      shapes: {
        one: {
          edges: Object.fromEntries(edges.map((e, i) => [e.id, paths[i]!])),
          notches: {},
          lines: id === half ? {} : shape.lines,
          points: {},
          grain: { from: { x: grainX, y: 250 }, to: { x: grainX, y: 450 } },
        },
      },
    })
    const fold = half === 'front' ? 'centre-front' : 'centre-back'
    return [
      piece(
        half,
        [
          edge('neck', 'neck'),
          edge('shoulder', 'shoulder'),
          ...(isFromShoulder ? [] : [edge('armhole', 'armhole')]),
          edge('panel', 'panel'),
          edge('hem', 'hem'),
          edge('fold', fold, true),
        ],
        [path('neck'), ...(isFromShoulder ? [] : [shoulder]), inner, panel, hemIn, path('fold')],
        to.x / 2,
      ),
      piece(
        `side-${half}`,
        [
          ...(isFromShoulder ? [edge('shoulder', 'shoulder')] : []),
          edge('armhole', 'armhole'),
          edge('side', 'side'),
          edge('hem', 'hem'),
          edge('panel', 'panel'),
        ],
        [...(isFromShoulder ? [outer, path('armhole')] : [outer]), path('side'), hemOut, reversePath(panel)],
        (to.x + hem[0]!.from.x) / 2,
      ),
    ]
  }
  const run = (pieceId: string, edgeId: string, reversed = false) => ({ pieceId, edgeId, reversed })
  const none = { minMm: 0, maxMm: 0 }
  const pieces = [...parted('front'), ...parted('back'), findPiece(blouse, 'sleeve')!]
  /** An edge of a half over the pieces that have one, from the neck on. */
  const over = (half: string, edgeId: string) =>
    pieces.filter((p) => p.id.endsWith(half) && p.edges.some((e) => e.id === edgeId)).map((p) => run(p.id, edgeId))
  const panels = (['front', 'back'] as const).map((half) => ({
    id: `panel-${half}`,
    name: `${half} panel seam`,
    sides: [[run(half, 'panel')], [run(`side-${half}`, 'panel', true)]] as Garment['seams'][number]['sides'],
    wantedEase: none,
    marks: [],
  }))
  return {
    ...blouse,
    pieces,
    seams: [
      {
        id: 'shoulder',
        name: 'shoulder seam',
        sides: [over('front', 'shoulder'), over('back', 'shoulder')],
        wantedEase: { minMm: -20, maxMm: 20 },
        marks: [],
      },
      ...panels,
      { id: 'side', name: 'side seam', sides: [[run('side-front', 'side')], [run('side-back', 'side')]], wantedEase: none, marks: [] },
      {
        id: 'armhole',
        name: 'armhole seam',
        sides: [
          [run('sleeve', 'cap')],
          [
            ...over('back', 'armhole')
              .reverse()
              .map((r) => ({ ...r, reversed: true })),
            ...over('front', 'armhole'),
          ],
        ],
        wantedEase: { minMm: 15, maxMm: 30 },
        marks: [
          [
            { pieceId: 'sleeve', notchId: 'top' },
            { pieceId: over('front', 'armhole')[0]!.pieceId, cornerId: 'at-armhole' },
          ],
        ],
      },
      {
        id: 'sleeve',
        name: 'sleeve seam',
        sides: [[run('sleeve', 'seam-front')], [run('sleeve', 'seam-back', true)]],
        wantedEase: none,
        marks: [],
      },
    ],
  }
}

/** For tests: the blouse with its cap drawn as two edges that meet at the shoulder. */
export function twoEdgeCap(): Garment {
  const blouse = draftBlouse()
  const sleeve = findPiece(blouse, 'sleeve')!
  const shape = shapeOf(sleeve, 'one')
  const cap = edgePath(shape, 'cap')
  const { distanceMm: topMm } = shape.notches.top!
  const own = sleeve.edges.find((e) => e.id === 'cap')!
  const parted: Piece = {
    ...sleeve,
    edges: sleeve.edges.flatMap((e) =>
      e === own
        ? [
            { ...own, id: 'cap-back' },
            { ...own, id: 'cap-front' },
          ]
        : [e],
    ),
    corners: sleeve.corners.flatMap((c) => (c.id === 'at-cap' ? [c, { id: 'top', name: 'top of the cap' }] : [c])),
    notches: sleeve.notches.filter((n) => n.id !== 'top').map((n) => ({ ...n, edgeId: n.id === 'back' ? 'cap-back' : 'cap-front' })),
    shapes: {
      one: {
        ...shape,
        edges: {
          ...Object.fromEntries(Object.entries(shape.edges).filter(([id]) => id !== 'cap')),
          'cap-back': cutPath(cap, 0, topMm),
          'cap-front': cutPath(cap, topMm, measureLength(cap)),
        },
        notches: { back: shape.notches.back!, front: { from: 'end', distanceMm: measureLength(cap) - shape.notches.front!.distanceMm } },
      },
    },
  }
  return {
    ...blouse,
    pieces: blouse.pieces.map((p) => (p.id === 'sleeve' ? parted : p)),
    seams: blouse.seams.map((s) =>
      s.id === 'armhole'
        ? {
            ...s,
            sides: [
              [
                { pieceId: 'sleeve', edgeId: 'cap-back', reversed: false },
                { pieceId: 'sleeve', edgeId: 'cap-front', reversed: false },
              ],
              s.sides[1],
            ],
            marks: s.marks.map(([a, b]) => ['notchId' in a && a.notchId === 'top' ? { pieceId: 'sleeve', cornerId: 'top' } : a, b]),
          }
        : s,
    ),
  }
}

/** For tests: made-up bodies, mm. */
export const bodies = fc.record({
  bust: fc.integer({ min: 780, max: 1280 }),
  ease: fc.integer({ min: 60, max: 180 }),
  shoulder: fc.integer({ min: 104, max: 142 }),
  backToWaist: fc.integer({ min: 375, max: 455 }),
  waistShaping: fc.integer({ min: 8, max: 34 }),
})

/** For tests: garments with one and with two sleeve pieces, and one with a yoke. */
export const sleeved: fc.Arbitrary<Garment> = fc
  .oneof(
    bodies.map((b) => draftBlouse(true, b)),
    bodies.map((b) => draftBlouse(false, b)),
    bodies.map((b) => draftJacket(b)),
    fc.constantFrom(yokedBlouse(), twoEdgeCap()),
  )
  // On some bodies the under sleeve is too narrow for its notches.
  .filter((garment) => checkGarment(garment) === null)
