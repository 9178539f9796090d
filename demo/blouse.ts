import { measureLength, nearestPlace, placeAt, scale, unit, subtract, type Path, type Point } from '../core/geometry'
import type { Garment, Seam } from '../core/pattern'
import {
  armhole,
  armholeDepth,
  endDirection,
  endPoint,
  foldEdge,
  grainOf,
  neckline,
  neckWidth,
  quarter,
  shapedHem,
  shapedSide,
  shoulderWithDart,
  sideWithDart,
  SLOPE_FRONT,
  type BodyFigures,
} from './bodice'
import { at, ruled, sewn, toGarment, type DraftedPiece, type DraftEdge } from './draft-piece'
import { neckband, sleevePiece } from './sleeve-and-band'

/** The lamplighter's blouse: made-up figures for a made-up wearer, mm. */
const BODY: BodyFigures = { bust: 940, ease: 90, shoulder: 122, backToWaist: 412, waistShaping: 22 }
const BODY_LENGTH = 200

/** Level of the bust below the depth of the armhole. */
const BUST_BELOW = 70
/** How much wider a quarter is at the underarm than at the bust, where the drafted ease is meant. */
const ROOM = 6.5
/** The side dart: how far down the side it begins, how wide it is there, how far its tip stays from the apex. */
const DART_DOWN = 92
const DART_INTAKE = 24
const TIP_BACK = 38

/** Lengthen-or-shorten line above the waist. */
const LINE_ABOVE_WAIST = 42

export function backPiece(body: BodyFigures = BODY): DraftedPiece {
  const w = neckWidth(body)
  const depth = armholeDepth(body)
  const q = quarter(body)
  const shoulder = shoulderWithDart(at(w, 0), body.shoulder, 0.46, 78, 13)
  const waistY = body.backToWaist + 22
  const underarm = at(q + ROOM - 3, depth + 22)
  const side = shapedSide(underarm, at(q - body.waistShaping, waistY), at(q + 6, waistY + BODY_LENGTH))
  const hem = shapedHem(endPoint(side), endDirection(side), waistY + BODY_LENGTH + 3)
  const waistMm = nearestPlace(side, at(q - body.waistShaping, waistY)).lengthMm
  return {
    id: 'back',
    name: 'Back',
    kind: 'back',
    count: 1,
    mirrored: false,
    edges: [
      {
        id: 'neck',
        name: 'neckline',
        role: 'neck',
        path: neckline(22, w, unit(subtract(shoulder.first, at(w, 0)))),
        corner: 'neck at centre back',
      },
      { id: 'shoulder-in', name: 'inner shoulder', role: 'shoulder', path: ruled(at(w, 0), shoulder.first), corner: 'neck point' },
      { id: 'dart-in', name: 'inner dart leg', role: 'dart-leg', path: ruled(shoulder.first, shoulder.tip), corner: 'inner leg end' },
      { id: 'dart-out', name: 'outer dart leg', role: 'dart-leg', path: ruled(shoulder.tip, shoulder.second), corner: 'dart tip' },
      { id: 'shoulder-out', name: 'outer shoulder', role: 'shoulder', path: ruled(shoulder.second, shoulder.end), corner: 'outer leg end' },
      {
        id: 'armhole',
        name: 'armhole',
        role: 'armhole',
        path: armhole(shoulder.end, shoulder.outer, underarm, placeAt(side, 0).tangent, 12),
        corner: 'shoulder tip',
      },
      { id: 'side', name: 'side seam', role: 'side', path: side, corner: 'underarm' },
      { id: 'hem', name: 'hem', role: 'hem', path: hem, corner: 'hem at side' },
      foldEdge('centre back', waistY + BODY_LENGTH + 3, 22, 'hem at centre back'),
    ],
    notches: [
      { id: 'waist', name: 'waist', edgeId: 'side', place: { from: 'start', distanceMm: waistMm } },
      { id: 'armhole', name: 'back armhole', edgeId: 'armhole', place: { from: 'end', distanceMm: 96 } },
    ],
    darts: [{ id: 'shoulder-dart', name: 'shoulder dart', legs: ['dart-in', 'dart-out'], pressTo: 'before' }],
    lines: [
      { id: 'bust', name: 'bust line', role: 'bust', path: ruled(at(14, depth + BUST_BELOW), at(q - 18, depth + BUST_BELOW)) },
      {
        id: 'shorten',
        name: 'lengthen or shorten line',
        role: 'shorten',
        path: ruled(at(0, waistY - LINE_ABOVE_WAIST), at(q - 18, waistY - LINE_ABOVE_WAIST)),
      },
      { id: 'waist-line', name: 'waist line', role: 'waist', path: ruled(at(14, waistY), at(q - 40, waistY)) },
    ],
    grain: grainOf(depth * 0.9, waistY + 120, 78),
  }
}

/** The side seam of a front, parted by its dart. */
function dartedSide(opened: ReturnType<typeof sideWithDart>, dartTip: Point): DraftEdge[] {
  return [
    { id: 'side-upper', name: 'side seam above the dart', role: 'side', path: opened.upper, corner: 'underarm' },
    { id: 'dart-upper', name: 'upper dart leg', role: 'dart-leg', path: ruled(opened.first, dartTip), corner: 'upper leg end' },
    { id: 'dart-lower', name: 'lower dart leg', role: 'dart-leg', path: ruled(dartTip, opened.second), corner: 'dart tip' },
    { id: 'side-lower', name: 'side seam below the dart', role: 'side', path: opened.lower, corner: 'lower leg end' },
  ]
}

/**
 * @param dart whether the side opens for a dart; without one the front hangs straight from the bust
 * @param intake how wide the dart is at the side
 */
export function frontPiece(back: DraftedPiece, dart = true, body: BodyFigures = BODY, intake = DART_INTAKE): DraftedPiece {
  const w = neckWidth(body)
  const neckDepth = w + 12
  const depth = armholeDepth(body)
  const q = quarter(body)
  const direction = at(Math.cos(SLOPE_FRONT), Math.sin(SLOPE_FRONT))
  const tip = at(w + direction.x * body.shoulder, direction.y * body.shoulder)
  // The closed side is the back's own side, so that the two are equal by construction; the dart opens it.
  const backSide = back.edges.find((e) => e.id === 'side')!.path
  const underarm = at(q + ROOM + 3, depth + 22)
  const shift = at(underarm.x - backSide[0]!.from.x, underarm.y - backSide[0]!.from.y)
  const closed = backSide.map((s) => ({
    ...s,
    from: add2(s.from, shift),
    to: add2(s.to, shift),
    ...(s.kind === 'cubic' ? { c1: add2(s.c1, shift), c2: add2(s.c2, shift) } : {}),
  })) as Path
  const apex = at(98, depth + BUST_BELOW)
  // The tip ends short of the apex, on the line from it to where the dart begins.
  const mouth = placeAt(closed, DART_DOWN + intake / 2).point
  const dartTip = add2(apex, scale(unit(subtract(mouth, apex)), TIP_BACK))
  const opened = sideWithDart(closed, DART_DOWN, dartTip, intake, 110)
  const lower = dart ? opened.lower : closed
  const hemCorner = endPoint(lower)
  const hemFold = hemCorner.y + 3
  const hem = shapedHem(hemCorner, endDirection(lower), hemFold)
  const waistMm = back.notches![0]!.place.distanceMm - (dart ? measureLength(opened.upper) : 0)
  const waistY = placeAt(lower, waistMm).point.y
  return {
    id: 'front',
    name: 'Front',
    kind: 'front',
    count: 1,
    mirrored: false,
    edges: [
      { id: 'neck', name: 'neckline', role: 'neck', path: neckline(neckDepth, w, direction), corner: 'neck at centre front' },
      { id: 'shoulder', name: 'shoulder', role: 'shoulder', path: ruled(at(w, 0), tip), corner: 'neck point' },
      {
        id: 'armhole',
        name: 'armhole',
        role: 'armhole',
        path: armhole(tip, direction, underarm, placeAt(closed, 0).tangent, 20),
        corner: 'shoulder tip',
      },
      ...(dart
        ? dartedSide(opened, dartTip)
        : [{ id: 'side', name: 'side seam', role: 'side' as const, path: closed, corner: 'underarm' }]),
      { id: 'hem', name: 'hem', role: 'hem', path: hem, corner: 'hem at side' },
      foldEdge('centre front', hemFold, neckDepth, 'hem at centre front'),
    ],
    notches: [
      { id: 'waist', name: 'waist', edgeId: dart ? 'side-lower' : 'side', place: { from: 'start', distanceMm: waistMm } },
      { id: 'armhole', name: 'front armhole', edgeId: 'armhole', place: { from: 'end', distanceMm: 86 } },
    ],
    darts: dart ? [{ id: 'side-dart', name: 'side dart', legs: ['dart-upper', 'dart-lower'], pressTo: 'after' }] : [],
    lines: [
      { id: 'bust', name: 'bust line', role: 'bust', path: ruled(at(14, depth + BUST_BELOW), at(q - 12, depth + BUST_BELOW)) },
      {
        id: 'shorten',
        name: 'lengthen or shorten line',
        role: 'shorten',
        path: ruled(at(0, waistY - LINE_ABOVE_WAIST), at(q - 30, waistY - LINE_ABOVE_WAIST)),
      },
      { id: 'waist-line', name: 'waist line', role: 'waist', path: ruled(at(14, waistY), at(q - 50, waistY)) },
    ],
    apex,
    grain: grainOf(depth + 80, waistY + 120, 60),
  }
}

const add2 = (p: { x: number; y: number }, d: { x: number; y: number }) => at(p.x + d.x, p.y + d.y)

/** Shoulder and side of a body: its front with or without a side dart. */
export const bodySeams = (dart: boolean): Seam[] => [
  sewn(
    'shoulder',
    'shoulder seam',
    [['front', 'shoulder']],
    [
      ['back', 'shoulder-in'],
      ['back', 'shoulder-out'],
    ],
  ),
  sewn(
    'side',
    'side seam',
    dart
      ? [
          ['front', 'side-upper'],
          ['front', 'side-lower'],
        ]
      : [['front', 'side']],
    [['back', 'side']],
    [
      [
        { pieceId: 'front', notchId: 'waist' },
        { pieceId: 'back', notchId: 'waist' },
      ],
    ],
  ),
]

/**
 * Lamplighter's blouse: front with an angled side dart, back with a shoulder dart, set-in sleeve, neckband.
 * @param dart without it the front has none
 * @param body whom it is drafted for
 */
export function draftBlouse(dart = true, body: BodyFigures = BODY): Garment {
  const back = backPiece(body)
  const front = frontPiece(back, dart, body)
  const sleeve = sleevePiece(back, front)
  const band = neckband(back, front)
  return toGarment(
    [front, back, sleeve, band],
    [
      ...bodySeams(dart),
      sewn(
        'armhole',
        'armhole seam',
        [['sleeve', 'cap']],
        [
          ['back', '-armhole'],
          ['front', 'armhole'],
        ],
        [
          [
            { pieceId: 'sleeve', notchId: 'back' },
            { pieceId: 'back', notchId: 'armhole' },
          ],
          [
            { pieceId: 'sleeve', notchId: 'top' },
            { pieceId: 'front', cornerId: 'at-armhole' },
          ],
          [
            { pieceId: 'sleeve', notchId: 'front' },
            { pieceId: 'front', notchId: 'armhole' },
          ],
        ],
        [15, 30],
      ),
      sewn('sleeve', 'sleeve seam', [['sleeve', 'seam-front']], [['sleeve', '-seam-back']]),
      sewn(
        'neckline',
        'neckband seam',
        [['neckband', '-neck']],
        [
          ['back', 'neck'],
          ['front', '-neck'],
        ],
        [
          [
            { pieceId: 'neckband', notchId: 'shoulder' },
            { pieceId: 'front', cornerId: 'at-shoulder' },
          ],
        ],
      ),
    ],
  )
}
