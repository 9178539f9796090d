import { DEG } from '../core/units'
import { add, cutPath, measureLength, placeAt, rotateAbout, scale, subtract, unit, type Path, type Point } from '../core/geometry'
import { at, bendStart, ruled, swept, type DraftEdge, type DraftedPiece } from './draft-piece'

/**
 * Drafting formulas of the demo bodices, our own, mm. A bodice half has its centre on x = 0 and grows to the right;
 * y = 0 is the shoulder at the neck.
 *
 *   quarter width   bust / 4 + ease / 4
 *   neck width      bust / 20 + 27          front neck depth  neck width + 12, back neck depth 22
 *   shoulder tip    neck width + shoulder length along a slope of 19 degrees in front, 17 in the back
 *   armhole depth   bust / 8 + 118
 *   waist           quarter width - shaping, at back neck to waist
 */
export interface BodyFigures {
  bust: number
  ease: number
  shoulder: number
  backToWaist: number
  waistShaping: number
}

export const SLOPE_FRONT = 19 / DEG
export const SLOPE_BACK = 17 / DEG

export const quarter = (b: BodyFigures) => (b.bust + b.ease) / 4
export const neckWidth = (b: BodyFigures) => b.bust / 20 + 27
export const armholeDepth = (b: BodyFigures) => b.bust / 8 + 118

/** Square to a direction, turned clockwise on the page. */
const square = (d: Point): Point => at(-d.y, d.x)

/** Neckline from the fold to the neck point: square to the fold, square to the shoulder. */
export function neckline(depth: number, width: number, shoulder: Point): Path {
  // Arriving at the neck point square to the shoulder means running up against it.
  return swept(at(0, depth), at(1, 0), at(width, 0), scale(square(shoulder), -1), [0.55, 0.4])
}

/** Armhole from the shoulder tip to the underarm: square to the shoulder, square to the side, hollowed on the way. */
export function armhole(tip: Point, shoulder: Point, underarm: Point, sideDown: Point, hollow: number): Path {
  const waypoint = at(tip.x - hollow, tip.y + (underarm.y - tip.y) * 0.62)
  const through = at(0.12, 1)
  const arriving = scale(square(sideDown), -1)
  return [...swept(tip, square(shoulder), waypoint, through, [0.36, 0.36]), ...swept(waypoint, through, underarm, arriving, [0.42, 0.5])]
}

/** Side seam from underarm over the waist to the hem: one smooth line. */
export function shapedSide(underarm: Point, waist: Point, hem: Point): Path {
  const leave = unit(subtract(waist, underarm))
  const arrive = unit(subtract(hem, waist))
  return [...swept(underarm, leave, waist, at(0, 1), [0.3, 0.36]), ...swept(waist, at(0, 1), hem, arrive, [0.36, 0.3])]
}

/** Hem from the side to the fold: square to the side, square to the fold. */
export function shapedHem(side: Point, sideDown: Point, foldY: number): Path {
  return swept(side, square(sideDown), at(0, foldY), at(-1, 0), [0.3, 0.45])
}

export const endDirection = (path: Path): Point => placeAt(path, measureLength(path)).tangent
export const endPoint = (path: Path): Point => path[path.length - 1]!.to

/** Back half with a shoulder dart: the dart is opened by turning the outer part of the shoulder about its tip. */
export function shoulderWithDart(neck: Point, length: number, at0: number, depthMm: number, intakeMm: number) {
  const direction = at(Math.cos(SLOPE_BACK), Math.sin(SLOPE_BACK))
  const first = add(neck, scale(direction, length * at0))
  const tip = add(first, scale(unit(at(-0.25, 1)), depthMm))
  const angle = 2 * Math.asin(intakeMm / 2 / depthMm)
  const second = rotateAbout(first, tip, angle)
  const outer = rotateAbout(direction, at(0, 0), angle)
  const end = add(second, scale(outer, length * (1 - at0)))
  return { first, tip, second, end, outer }
}

/** Front half: the side opened by an angled dart, the part below it bent so that the closed seam is smooth. */
export function sideWithDart(side: Path, dartAtMm: number, tip: Point, intakeMm: number, fadeMm: number) {
  const first = placeAt(side, dartAtMm).point
  const radius = Math.hypot(first.x - tip.x, first.y - tip.y)
  const angle = 2 * Math.asin(intakeMm / 2 / radius)
  const second = rotateAbout(first, tip, angle)
  const upper = cutPath(side, 0, dartAtMm)
  const lower = bendStart(cutPath(side, dartAtMm, measureLength(side)), second, angle, fadeMm)
  return { first, second, upper, lower }
}

/** The fold edge up from the hem or waist to the neck. */
export const foldEdge = (name: string, foldY: number, neckY: number, corner: string): DraftEdge => ({
  id: 'fold',
  name,
  role: name === 'centre front' ? 'centre-front' : 'centre-back',
  path: ruled(at(0, foldY), at(0, neckY)),
  corner,
  fold: true,
})

export const grainOf = (top: number, bottom: number, x: number): DraftedPiece['grain'] => ({ from: at(x, top), to: at(x, bottom) })
