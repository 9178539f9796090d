import { findRoot } from '../geometry'
import { findPiece, type Garment, type RunEdge } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { LENGTH_FOUND_MM } from '../tolerances'
import { lengthToken } from '../units'
import type { Armhole } from './find-armholes'
import { HALVES, runLength, type Half } from './measure-armhole'
import { moveUnderarm, NO_UNDERARM_MOVE, underarmEnd, type UnderarmMove } from './move-underarm'

/** How an armhole is made longer or shorter: down the side seam, or down and outward in equal parts (craft 6.10). */
export type ArmholeWay = 'lower' | 'out'

/** Most that an underarm goes down and up to fit a cap, mm; and that its stretch is hollowed or filled to even out front and back. */
const DOWN = { plus: 120, minus: 40 }
const HOLLOW = { plus: 25, minus: 25 }

export interface ArmholeFit {
  garment: Garment
  moves: Record<Half, UnderarmMove>
}

/**
 * Front and back armhole each made as long as wanted, the underarm moved alike on both (craft 6.10). Both drop by
 * the same, so that the side seams stay equal; what one then has too much and the other too little comes from redrawing the curve
 * above the underarm a little further in or out.
 *
 * @param wanted length of each half from the shoulder to the underarm, mm
 * Refuses, with the closest that was reached, where the side seam has no room for it.
 */
export function fitArmhole(
  garment: Garment,
  armhole: Armhole,
  sizeId: string,
  wanted: Record<Half, number>,
  way: ArmholeWay,
): Result<ArmholeFit> {
  const lengthOf = (half: Half, move: UnderarmMove): number => {
    const drawn = moveUnderarm(garment, armhole[half], sizeId, move)
    return drawn ? runLength(drawn, armhole[half], sizeId) : Number.NaN
  }
  const outPart = way === 'out' ? 1 : 0
  const dropped = (mm: number): UnderarmMove => ({ ...NO_UNDERARM_MOVE, downMm: mm, outMm: mm * outPart })
  const both = (mm: number) => HALVES.reduce((sum, half) => sum + lengthOf(half, dropped(mm)) - wanted[half], 0)
  const hasCurve = HALVES.every((half) => lengthOf(half, { ...NO_UNDERARM_MOVE, hollowMm: 1 }) !== lengthOf(half, NO_UNDERARM_MOVE))
  const moves = { front: dropped(0), back: dropped(0) }
  if (hasCurve) {
    const common = nearestRoot(both, DOWN)
    const sum = wanted.front + wanted.back
    if (typeof common !== 'number') return cannot(garment, armhole.front, sum, common.closestMm + sum, 'the whole armhole')
    const alike = alikeAtSides(garment, armhole, sizeId, { front: dropped(common), back: dropped(common) })
    for (const half of HALVES) {
      const found = nearestRoot((mm) => lengthOf(half, { ...alike[half], hollowMm: mm }) - wanted[half], HOLLOW)
      if (typeof found !== 'number')
        return cannot(garment, armhole[half], wanted[half], found.closestMm + wanted[half], `the ${half} armhole`)
      moves[half] = { ...alike[half], hollowMm: found }
    }
  } else
    for (const half of HALVES) {
      // An armhole of straight lines has no curve that could give: each half drops by what it needs.
      const alone = nearestRoot((mm) => lengthOf(half, dropped(mm)) - wanted[half], DOWN)
      if (typeof alone !== 'number')
        return cannot(garment, armhole[half], wanted[half], alone.closestMm + wanted[half], `the ${half} armhole`)
      moves[half] = dropped(alone)
    }
  let drawn: Garment = garment
  for (const half of HALVES) drawn = moveUnderarm(drawn, armhole[half], sizeId, moves[half]) ?? drawn
  return ok({ garment: drawn, moves })
}

/** Rounds of making the two side seams change alike: each leaves a small part of what they differed by. */
const ROUNDS = 3

/** The drops of front and back set a little apart so that both side seams lose or gain the same: a dart in one bends it. */
function alikeAtSides(garment: Garment, armhole: Armhole, sizeId: string, moves: Record<Half, UnderarmMove>): Record<Half, UnderarmMove> {
  const sideMm = (half: Half, g: Garment) => {
    const { piece, side } = underarmEnd(garment, armhole[half])
    const runs = side.filter((s) => !s.isLeg).map((s) => ({ ...s, pieceId: piece.id }))
    return runLength(g, runs, sizeId)
  }
  let set = moves
  for (let round = 0; round < ROUNDS; round++) {
    const grew = HALVES.map((half) => {
      const drawn = moveUnderarm(garment, armhole[half], sizeId, set[half])
      return drawn ? sideMm(half, drawn) - sideMm(half, garment) : Number.NaN
    })
    const off = (grew[0]! - grew[1]!) / 2
    if (!Number.isFinite(off) || Math.abs(off) <= LENGTH_FOUND_MM) return set
    set = { front: { ...set.front, downMm: set.front.downMm + off }, back: { ...set.back, downMm: set.back.downMm - off } }
  }
  return set
}

function cannot(garment: Garment, half: readonly RunEdge[], wantedMm: number, reachedMm: number, what: string): Result<never> {
  const piece = findPiece(garment, half[half.length - 1]!.pieceId)!
  return refuse(
    'armhole-out-of-reach',
    piece.name,
    `${what} would have to measure ${lengthToken(wantedMm)}, and comes to ${lengthToken(reachedMm)} at the nearest.`,
    'Ask for less, or change the cap instead.',
  )
}

/** The root nearest to nothing, looked for further and further to both sides; where there is none, the value nearest to nothing. */
function nearestRoot(f: (mm: number) => number, limits: { plus: number; minus: number }): number | { closestMm: number } {
  const zero = f(0)
  if (Math.abs(zero) <= LENGTH_FOUND_MM) return 0
  let closestMm = zero
  for (const part of REACHES)
    for (const limit of [limits.plus, -limits.minus]) {
      const bound = part * limit
      const there = f(bound)
      if (!Number.isFinite(there)) continue
      if (Math.abs(there) < Math.abs(closestMm)) closestMm = there
      if (there * zero > 0) continue
      const found = findRoot(f, 0, bound, LENGTH_FOUND_MM)
      if (found !== null) return found
    }
  return { closestMm }
}
const REACHES = [0.05, 0.15, 0.4, 1]
