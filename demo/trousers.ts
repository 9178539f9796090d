import { measureLength, reversePath, rotateAbout, unit, subtract, type Path, type Point } from '../core/geometry'
import type { Garment } from '../core/pattern'
import { at, ruled, sewn, solve, swept, toGarment, type DraftedPiece } from './draft-piece'

/**
 * Quay trousers, mm, our own formulas. The crease is x = 0, the front waist y = 0. Front: the outseam lies at larger x;
 * back: drawn the other way round, so that the outseams face away from each other on the table.
 */
export interface TrouserCut {
  /** Half widths of the front at knee and hem; the back is 10 wider to each side. */
  kneeHalf: number
  hemHalf: number
  /** Makes the front leg longer than the back below the knee: a drafting fault to find, 0 for none. */
  faultMm: number
}

const HIP_Y = 190
const CROTCH_Y = 262
const KNEE_Y = 585
const HEM_Y = 1015
const BACK_WIDER = 10

const down = at(0, 1)

/** From waist over hip to knee, then straight on to the hem. */
function outseam(waist: Point, hip: Point, knee: Point, hem: Point): Path {
  const leg = unit(subtract(hem, knee))
  return [
    ...swept(waist, at(0.16 * Math.sign(hip.x - waist.x), 1), hip, down, [0.34, 0.34]),
    ...swept(hip, down, knee, leg, [0.34, 0.34]),
    ...ruled(knee, hem),
  ]
}

/** From the crotch point hollowed to the knee, then straight to the hem. */
function inseam(crotch: Point, leaving: Point, knee: Point, hem: Point): Path {
  return [...swept(crotch, leaving, knee, unit(subtract(hem, knee)), [0.3, 0.4]), ...ruled(knee, hem)]
}

function frontPiece(cut: TrouserCut): DraftedPiece {
  const hemY = HEM_Y + cut.faultMm
  const belowKneeMm = measureLength(ruled(at(cut.kneeHalf, KNEE_Y), at(cut.hemHalf, hemY)))
  const crotch = at(-138, CROTCH_Y)
  const waistIn = at(-92, 8)
  const waistOut = at(112, -12)
  const leaving = unit(at(0.28, 1))
  const seamIn = inseam(crotch, leaving, at(-cut.kneeHalf, KNEE_Y), at(-cut.hemHalf, hemY))
  const seamOut = outseam(waistOut, at(132, HIP_Y), at(cut.kneeHalf, KNEE_Y), at(cut.hemHalf, hemY))
  // Square to the inseam at the crotch point, so that front and back run on into each other.
  const crotchEdge: Path = [
    ...swept(crotch, at(leaving.y, -leaving.x), at(-104, 176), at(0.08, -1), [0.55, 0.45]),
    ...swept(at(-104, 176), at(0.08, -1), waistIn, at(0.06, -1), [0.3, 0.3]),
  ]
  return {
    id: 'front',
    name: 'Front leg',
    kind: 'leg-front',
    count: 2,
    mirrored: true,
    edges: [
      {
        id: 'waist',
        name: 'waist',
        role: 'waist',
        path: swept(waistIn, at(1, 0.06), waistOut, at(1, -0.3), [0.3, 0.3]),
        corner: 'waist at centre front',
      },
      { id: 'outseam', name: 'outseam', role: 'outseam', path: seamOut, corner: 'waist at side' },
      {
        id: 'opening',
        name: 'leg opening',
        role: 'leg-opening',
        path: ruled(at(cut.hemHalf, hemY), at(-cut.hemHalf, hemY)),
        corner: 'opening at outseam',
      },
      { id: 'inseam', name: 'inseam', role: 'inseam', path: reversePath(seamIn), corner: 'opening at inseam' },
      { id: 'crotch', name: 'front crotch', role: 'crotch', path: crotchEdge, corner: 'crotch point' },
    ],
    notches: [
      { id: 'hip', name: 'hip', edgeId: 'outseam', place: { from: 'start', distanceMm: 196 } },
      { id: 'knee-out', name: 'knee, outside', edgeId: 'outseam', place: { from: 'end', distanceMm: belowKneeMm } },
      { id: 'knee-in', name: 'knee, inside', edgeId: 'inseam', place: { from: 'start', distanceMm: belowKneeMm } },
    ],
    lines: [
      { id: 'hip-line', name: 'hip line', role: 'hip', path: ruled(at(-92, HIP_Y), at(120, HIP_Y)) },
      { id: 'thigh-shorten', name: 'thigh line (lengthen or shorten)', role: 'shorten', path: ruled(at(-112, 430), at(116, 430)) },
      {
        id: 'calf-shorten',
        name: 'calf line (lengthen or shorten)',
        role: 'shorten',
        path: ruled(at(-cut.kneeHalf + 6, 780), at(cut.kneeHalf - 6, 780)),
      },
      { id: 'knee-line', name: 'knee line', role: 'knee', path: ruled(at(-cut.kneeHalf + 8, KNEE_Y), at(cut.kneeHalf - 8, KNEE_Y)) },
    ],
    grain: { from: at(0, 90), to: at(0, 900) },
  }
}

function backPiece(cut: TrouserCut, front: DraftedPiece): DraftedPiece {
  const edge = (id: string) => front.edges.find((e) => e.id === id)!.path
  const knee = cut.kneeHalf + BACK_WIDER
  const hem = cut.hemHalf + BACK_WIDER
  const leaving = unit(at(-0.36, 1))
  const below = (fault: number) => measureLength(ruled(at(cut.kneeHalf, KNEE_Y), at(cut.hemHalf, HEM_Y + fault)))
  const tooLong = below(cut.faultMm) - below(0)
  // Inseam as long as the front's without its fault: solved by the height of the back crotch point.
  const wantIn = measureLength(edge('inseam')) - tooLong
  const inseamFrom = (y: number) => inseam(at(174, y), leaving, at(knee, KNEE_Y), at(hem, HEM_Y))
  const crotchY = solve((y) => measureLength(inseamFrom(y)) - wantIn, 180, 330)
  const crotch = at(174, crotchY)
  // Outseam as long as the front's: solved by the height of the waist at the side.
  const wantOut = measureLength(edge('outseam')) - tooLong
  const outseamFrom = (y: number) => outseam(at(-120, y), at(-142, HIP_Y), at(-knee, KNEE_Y), at(-hem, HEM_Y))
  const waistY = solve((y) => measureLength(outseamFrom(y)) - wantOut, -60, 60)
  const waistOut = at(-120, waistY)
  const waistIn = at(96, -26)
  // Waist with a dart at its middle: the inner part is turned open about the tip.
  const direction = unit(subtract(waistIn, waistOut))
  const width = Math.hypot(waistIn.x - waistOut.x, waistIn.y - waistOut.y)
  const legOut = at(waistOut.x + direction.x * width * 0.45, waistOut.y + direction.y * width * 0.45)
  const tip = at(legOut.x + 6, legOut.y + 112)
  const angle = 2 * Math.asin(11 / Math.hypot(legOut.x - tip.x, legOut.y - tip.y))
  const legIn = rotateAbout(legOut, tip, angle)
  const onward = rotateAbout(direction, at(0, 0), angle)
  const centre = at(legIn.x + onward.x * (width * 0.46), legIn.y + onward.y * (width * 0.46))
  const seat = at(112, 150)
  const seatDown = unit(subtract(seat, centre))
  const crotchEdge: Path = [
    ...swept(centre, seatDown, seat, seatDown, [0.3, 0.3]),
    ...swept(seat, seatDown, crotch, at(leaving.y, -leaving.x), [0.5, 0.62]),
  ]
  return {
    id: 'back',
    name: 'Back leg',
    kind: 'leg-back',
    count: 2,
    mirrored: true,
    edges: [
      { id: 'waist-out', name: 'waist, outer part', role: 'waist', path: ruled(waistOut, legOut), corner: 'waist at side' },
      { id: 'dart-out', name: 'outer dart leg', role: 'dart-leg', path: ruled(legOut, tip), corner: 'outer leg end' },
      { id: 'dart-in', name: 'inner dart leg', role: 'dart-leg', path: ruled(tip, legIn), corner: 'dart tip' },
      { id: 'waist-in', name: 'waist, inner part', role: 'waist', path: ruled(legIn, centre), corner: 'inner leg end' },
      { id: 'crotch', name: 'back crotch', role: 'crotch', path: crotchEdge, corner: 'waist at centre back' },
      { id: 'inseam', name: 'inseam', role: 'inseam', path: inseamFrom(crotchY), corner: 'crotch point' },
      {
        id: 'opening',
        name: 'leg opening',
        role: 'leg-opening',
        path: ruled(at(hem, HEM_Y), at(-hem, HEM_Y)),
        corner: 'opening at inseam',
      },
      { id: 'outseam', name: 'outseam', role: 'outseam', path: reversePath(outseamFrom(waistY)), corner: 'opening at outseam' },
    ],
    notches: [
      { id: 'hip', name: 'hip', edgeId: 'outseam', place: { from: 'end', distanceMm: 196 } },
      { id: 'knee-out', name: 'knee, outside', edgeId: 'outseam', place: { from: 'start', distanceMm: below(0) } },
      { id: 'knee-in', name: 'knee, inside', edgeId: 'inseam', place: { from: 'end', distanceMm: below(0) } },
    ],
    darts: [{ id: 'waist-dart', name: 'waist dart', legs: ['dart-out', 'dart-in'], pressTo: 'after' }],
    lines: [
      { id: 'hip-line', name: 'hip line', role: 'hip', path: ruled(at(-126, HIP_Y), at(108, HIP_Y)) },
      { id: 'knee-line', name: 'knee line', role: 'knee', path: ruled(at(-knee + 8, KNEE_Y), at(knee - 8, KNEE_Y)) },
    ],
    grain: { from: at(0, 120), to: at(0, 900) },
  }
}

function waistband(front: DraftedPiece, back: DraftedPiece): DraftedPiece {
  const lengthOf = (p: DraftedPiece, id: string) => measureLength(p.edges.find((e) => e.id === id)!.path)
  const backMm = lengthOf(back, 'waist-in') + lengthOf(back, 'waist-out')
  const total = backMm + lengthOf(front, 'waist')
  return {
    id: 'waistband',
    name: 'Waistband',
    kind: 'band',
    count: 2,
    mirrored: false,
    edges: [
      { id: 'upper', name: 'upper edge', role: 'band', path: ruled(at(0, 0), at(total, 0)), corner: 'upper edge at centre back' },
      {
        id: 'end',
        name: 'centre front end',
        role: 'band-end',
        path: ruled(at(total, 0), at(total, 40)),
        corner: 'upper edge at centre front',
      },
      { id: 'waist', name: 'waist edge', role: 'waist', path: ruled(at(total, 40), at(0, 40)), corner: 'waist edge at centre front' },
      {
        id: 'fold',
        name: 'centre back',
        role: 'centre-back',
        path: ruled(at(0, 40), at(0, 0)),
        corner: 'waist edge at centre back',
        fold: true,
      },
    ],
    notches: [{ id: 'side', name: 'side', edgeId: 'waist', place: { from: 'end', distanceMm: backMm } }],
    grain: { from: at(total / 2, 4), to: at(total / 2, 36) },
  }
}

/** Quay trousers: front, back with a waist dart, waistband. */
export function draftTrousers(cut: TrouserCut): Garment {
  const front = frontPiece(cut)
  const back = backPiece(cut, front)
  return toGarment(
    [front, back, waistband(front, back)],
    [
      sewn(
        'outseam',
        'outseam',
        [['front', 'outseam']],
        [['back', '-outseam']],
        [
          [
            { pieceId: 'front', notchId: 'hip' },
            { pieceId: 'back', notchId: 'hip' },
          ],
          [
            { pieceId: 'front', notchId: 'knee-out' },
            { pieceId: 'back', notchId: 'knee-out' },
          ],
        ],
      ),
      sewn(
        'inseam',
        'inseam',
        [['front', '-inseam']],
        [['back', 'inseam']],
        [
          [
            { pieceId: 'front', notchId: 'knee-in' },
            { pieceId: 'back', notchId: 'knee-in' },
          ],
        ],
      ),
      sewn(
        'waist',
        'waist seam',
        [['waistband', '-waist']],
        [
          ['back', '-waist-in'],
          ['back', '-waist-out'],
          ['front', '-waist'],
        ],
        [
          [
            { pieceId: 'waistband', notchId: 'side' },
            { pieceId: 'front', cornerId: 'at-outseam' },
          ],
        ],
      ),
    ],
  )
}

export const TAPERED: TrouserCut = { kneeHalf: 106, hemHalf: 84, faultMm: 0 }
export const FLARED: TrouserCut = { kneeHalf: 98, hemHalf: 128, faultMm: 8 }
