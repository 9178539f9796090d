import { findNearestRoot } from '../geometry'
import { findPiece, type Garment, type RunEdge } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { LENGTH_FOUND_MM } from '../tolerances'
import { lengthToken } from '../units'
import { halfKey, type Armhole } from './find-armholes'
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
 * above the underarm a little further in or out. Of two armholes that share a half (the front was opened out, the back was not)
 * the second goes as the first did, and the half that they share goes once.
 *
 * @param wantedOf length of each half from the shoulder to the underarm, mm
 * @returns the garment, and how the first armhole was moved
 * Refuses, with the closest that was reached, where the side seam has no room for it.
 */
export function fitArmholes<A extends Armhole>(
  garment: Garment,
  armholes: readonly A[],
  sizeId: string,
  wantedOf: (armhole: A) => Record<Half, number>,
  way: ArmholeWay,
): Result<ArmholeFit> {
  let drawn = garment
  let first: ArmholeFit['moves'] | null = null
  const done = new Set<string>()
  for (const armhole of armholes) {
    const halves = HALVES.filter((half) => !done.has(halfKey(armhole[half])))
    const wanted = wantedOf(armhole)
    const isShared = halves.length < HALVES.length
    const moves: Result<Partial<ArmholeFit['moves']>> = isShared
      ? followFirst(garment, drawn, armhole, halves, sizeId, wanted, first!)
      : findMoves(drawn, armhole, sizeId, wanted, way)
    if (!moves.ok) return moves
    for (const half of halves) {
      drawn = moveUnderarm(drawn, armhole[half], sizeId, moves.value[half]!) ?? drawn
      done.add(halfKey(armhole[half]))
    }
    if (!isShared) first ??= moves.value as ArmholeFit['moves']
  }
  return ok({ garment: drawn, moves: first ?? { front: NO_UNDERARM_MOVE, back: NO_UNDERARM_MOVE } })
}

/** Length of half an armhole after a move of its underarm, mm; no figure where it has no room for it. */
function lengthAfter(garment: Garment, armhole: Armhole, half: Half, sizeId: string, move: UnderarmMove): number {
  const drawn = moveUnderarm(garment, armhole[half], sizeId, move)
  return drawn ? runLength(drawn, armhole[half], sizeId) : Number.NaN
}

/** The hollow at which half an armhole that drops by a move is as long as wanted. */
function withHollow(
  garment: Garment,
  armhole: Armhole,
  half: Half,
  sizeId: string,
  move: UnderarmMove,
  wantedMm: number,
): Result<UnderarmMove> {
  const off = (mm: number) => lengthAfter(garment, armhole, half, sizeId, { ...move, hollowMm: mm }) - wantedMm
  const found = findNearestRoot(off, HOLLOW, LENGTH_FOUND_MM)
  return 'at' in found
    ? ok({ ...move, hollowMm: found.at })
    : cannot(garment, armhole[half], wantedMm, found.closest + wantedMm, `the ${half} armhole`)
}

/** The halves of an armhole that the first one did not move, dropped as it did and by what keeps their side seams alike. */
function followFirst(
  before: Garment,
  garment: Garment,
  armhole: Armhole,
  halves: readonly Half[],
  sizeId: string,
  wanted: Record<Half, number>,
  first: ArmholeFit['moves'],
): Result<Partial<ArmholeFit['moves']>> {
  const moves: Partial<ArmholeFit['moves']> = {}
  for (const half of halves) {
    const other = half === 'front' ? 'back' : 'front'
    const sharedGrew = sideMm(garment, before, armhole[other], sizeId) - sideMm(before, before, armhole[other], sizeId)
    let move: UnderarmMove = { ...first[half], hollowMm: 0 }
    for (let round = 0; round < ROUNDS; round++) {
      const drawn = moveUnderarm(garment, armhole[half], sizeId, move)
      if (drawn)
        move = {
          ...move,
          downMm: move.downMm + sideMm(drawn, before, armhole[half], sizeId) - sideMm(before, before, armhole[half], sizeId) - sharedGrew,
        }
    }
    const found = withHollow(garment, armhole, half, sizeId, move, wanted[half])
    if (!found.ok) return found
    moves[half] = found.value
  }
  return ok(moves)
}

/** Length of the side seam under half an armhole, its darts closed, mm; which edges it has is told by the garment before. */
export function sideMm(garment: Garment, before: Garment, half: readonly RunEdge[], sizeId: string): number {
  const { piece, side } = underarmEnd(before, half)
  const runs = side.filter((s) => !s.isLeg).map((s) => ({ ...s, pieceId: piece.id }))
  return runLength(garment, runs, sizeId)
}

function findMoves(
  garment: Garment,
  armhole: Armhole,
  sizeId: string,
  wanted: Record<Half, number>,
  way: ArmholeWay,
): Result<ArmholeFit['moves']> {
  const lengthOf = (half: Half, move: UnderarmMove) => lengthAfter(garment, armhole, half, sizeId, move)
  const dropped = (mm: number): UnderarmMove => ({ ...NO_UNDERARM_MOVE, downMm: mm, outMm: way === 'out' ? mm : 0 })
  const hasCurve = HALVES.every((half) => lengthOf(half, { ...NO_UNDERARM_MOVE, hollowMm: 1 }) !== lengthOf(half, NO_UNDERARM_MOVE))
  const moves = { front: dropped(0), back: dropped(0) }
  if (!hasCurve) {
    // An armhole of straight lines has no curve that could give: each half drops by what it needs.
    for (const half of HALVES) {
      const alone = findNearestRoot((mm) => lengthOf(half, dropped(mm)) - wanted[half], DOWN, LENGTH_FOUND_MM)
      if (!('at' in alone)) return cannot(garment, armhole[half], wanted[half], alone.closest + wanted[half], `the ${half} armhole`)
      moves[half] = dropped(alone.at)
    }
    return ok(moves)
  }
  const sum = wanted.front + wanted.back
  const both = (mm: number) => HALVES.reduce((total, half) => total + lengthOf(half, dropped(mm)), -sum)
  const common = findNearestRoot(both, DOWN, LENGTH_FOUND_MM)
  if (!('at' in common)) return cannot(garment, armhole.front, sum, common.closest + sum, 'the whole armhole')
  const alike = alikeAtSides(garment, armhole, sizeId, { front: dropped(common.at), back: dropped(common.at) })
  for (const half of HALVES) {
    const found = withHollow(garment, armhole, half, sizeId, alike[half], wanted[half])
    if (!found.ok) return found
    moves[half] = found.value
  }
  return ok(moves)
}

/** Rounds of making the two side seams change alike: each leaves a small part of what they differed by. */
const ROUNDS = 3

/** The drops of front and back set a little apart so that both side seams lose or gain the same: a dart in one bends it. */
function alikeAtSides(garment: Garment, armhole: Armhole, sizeId: string, moves: Record<Half, UnderarmMove>): Record<Half, UnderarmMove> {
  let set = moves
  for (let round = 0; round < ROUNDS; round++) {
    const grew = HALVES.map((half) => {
      const drawn = moveUnderarm(garment, armhole[half], sizeId, set[half])
      return drawn ? sideMm(drawn, garment, armhole[half], sizeId) - sideMm(garment, garment, armhole[half], sizeId) : Number.NaN
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
