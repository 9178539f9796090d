import { findNearestRoot } from '../geometry'
import type { Garment, RunEdge } from '../pattern'
import { LENGTH_FOUND_MM } from '../tolerances'
import type { Armhole } from './find-armholes'
import { HALVES, runLength, type Half } from './measure-armhole'
import { sideMm } from './fit-armhole'
import { moveUnderarm, NO_UNDERARM_MOVE } from './move-underarm'

/** Most that an armhole is hollowed or filled above the underarm to keep its length, mm. */
const MOST_HOLLOW_MM = 25

/**
 * What is left to even out after both halves of an armhole were carried along: the underarms set a little up and down the side so
 * that both side seams gained or lost the same, and each half drawn a little further in or out until it is as long as before.
 * @returns null where its curve cannot give or take as much
 */
export function evenUnderarms(before: Garment, after: Garment, armhole: Armhole, sizeId: string): Garment | null {
  const grew = (half: Half) => sideMm(after, before, armhole[half], sizeId) - sideMm(before, before, armhole[half], sizeId)
  const off = (grew('front') - grew('back')) / 2
  const set = { front: off, back: -off }
  let drawn = after
  for (const half of HALVES) {
    const moved = moveUnderarm(drawn, armhole[half], sizeId, { ...NO_UNDERARM_MOVE, downMm: set[half] })
    const kept = moved && lengthKept(before, moved, armhole[half], sizeId)
    if (!kept) return null
    drawn = kept
  }
  return drawn
}

function lengthKept(before: Garment, after: Garment, half: readonly RunEdge[], sizeId: string): Garment | null {
  const wanted = runLength(before, half, sizeId)
  const draw = (hollowMm: number) => moveUnderarm(after, half, sizeId, { ...NO_UNDERARM_MOVE, hollowMm }) ?? after
  const off = (mm: number) => runLength(draw(mm), half, sizeId) - wanted
  const found = findNearestRoot(off, { plus: MOST_HOLLOW_MM, minus: MOST_HOLLOW_MM }, LENGTH_FOUND_MM)
  return 'at' in found ? draw(found.at) : null
}
