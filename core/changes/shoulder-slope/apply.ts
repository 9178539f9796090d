import { findRoot } from '../../geometry'
import type { Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import {
  evenUnderarms,
  findArmholes,
  fitArmhole,
  HALVES,
  runLength,
  settleCapsInSizes,
  slopeShoulder,
  whyNoArmhole,
  type Armhole,
} from '../../seams'
import { LENGTH_FOUND_MM } from '../../tolerances'
import { limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { findLargestInSizes } from '../find-largest'
import type { Applied, ChangeContext } from '../types'
import { heldBySlope } from './held'
import type { ShoulderSlopeInputs } from './schema'

/** Does half an armhole lie on one piece, so that it can go up or down as a whole? */
const isOnOne = (armhole: Armhole): boolean => HALVES.every((h) => new Set(armhole[h].map((r) => r.pieceId)).size === 1)

function slope(garment: Garment, inputs: ShoulderSlopeInputs): Result<Garment> {
  if (inputs.amountMm === 0) return ok(garment)
  let drawn = garment
  for (const armhole of findArmholes(garment))
    for (const size of garment.sizes) {
      const from = drawn
      const carried = (mm: number | null): Result<Garment> =>
        HALVES.reduce<Result<Garment>>(
          (g, half) => (g.ok ? slopeShoulder(g.value, armhole[half], size.id, inputs.amountMm, mm) : g),
          ok(from),
        )
      if (inputs.armhole === 'grows' || !isOnOne(armhole)) {
        const sloped = carried(null)
        if (!sloped.ok) return sloped
        drawn = sloped.value
        if (inputs.armhole === 'grows') continue
      } else {
        const kept = carriedAlong(from, armhole, size.id, inputs.amountMm, carried)
        if (!kept.ok) return kept
        drawn = kept.value
        continue
      }
      // An armhole over several pieces is brought back to its length at the underarm.
      const was = { front: runLength(garment, armhole.front, size.id), back: runLength(garment, armhole.back, size.id) }
      const fitted = fitArmhole(drawn, armhole, size.id, was, 'lower')
      if (!fitted.ok) return fitted
      drawn = fitted.value.garment
    }
  const settled = settleCapsInSizes(garment, drawn)
  return settled.ok ? ok(settled.value.garment) : settled
}

/** How much further or less far than the tip an underarm may go so that the armhole keeps its length, as a part of it and beyond, mm. */
const CARRIED = { part: 0.8, more: 15 }

/** The whole armhole taken along: the underarm goes by so much that front and back together keep their length, each half by its curve. */
function carriedAlong(
  before: Garment,
  armhole: Armhole,
  sizeId: string,
  amountMm: number,
  carried: (mm: number) => Result<Garment>,
): Result<Garment> {
  const sum = (g: Garment) => HALVES.reduce((mm, half) => mm + runLength(g, armhole[half], sizeId), 0)
  const off = (mm: number) => {
    const done = carried(mm)
    return done.ok ? sum(done.value) - sum(before) : Number.MAX_VALUE
  }
  const first = carried(amountMm)
  if (!first.ok) return first
  const reach = Math.abs(amountMm) * CARRIED.part + CARRIED.more
  const zero = off(amountMm)
  const found = [amountMm + reach, amountMm - reach].flatMap((bound) =>
    off(bound) * zero <= 0 ? (findRoot(off, amountMm, bound, LENGTH_FOUND_MM) ?? []) : [],
  )[0]
  const common = found === undefined ? first : carried(found)
  const evened = common.ok ? evenUnderarms(before, common.value, armhole, sizeId) : null
  return evened
    ? ok(evened)
    : refuse('amount-too-large', 'armhole', 'it cannot keep its length so far up or down.', 'Ask for less, or let the cap follow.')
}

const works = (garment: Garment, inputs: ShoulderSlopeInputs): boolean => {
  const done = slope(garment, inputs)
  return done.ok && findBrokenOutline(garment, done.value) === null
}

/**
 * Makes the shoulders squarer or more sloping, front and back alike (craft 6.7): the outer end goes up or down about the neck point;
 * the armhole goes along and keeps its length, or it grows and the cap follows.
 * Refuses: a garment without an armhole under a shoulder seam, several darts in one shoulder, an amount that the shoulder or the side
 * seam has no room for, or that crosses an outline (with the largest that works).
 */
export function applyShoulderSlope(garment: Garment, inputs: ShoulderSlopeInputs, context: ChangeContext): Result<Applied> {
  if (garment.pieces.length === 0)
    return refuse('reference-gone', 'garment', 'the pieces this change was made for have gone.', 'Delete the change.')
  const armholes = findArmholes(garment)
  const none = whyNoArmhole(garment, armholes)
  if (none) return none
  const done = slope(garment, inputs)
  const broken = done.ok ? findBrokenOutline(garment, done.value) : null
  if (!done.ok && done.problem.code === 'darts-in-shoulder') return done
  if (!done.ok || broken) {
    const largest = findLargestInSizes(garment, inputs.amountMm, (one, amountMm) => works(one, { ...inputs, amountMm }))
    return refuse(
      'amount-too-large',
      done.ok ? broken!.where : done.problem.where,
      done.ok ? `${broken!.what} by this amount.` : done.problem.message,
      `Here the end of the shoulder can go ${limitToken(Math.abs(largest))} ${inputs.amountMm < 0 ? 'down' : 'up'} at most.`,
      largest,
    )
  }
  const after = done.value
  const bodies = armholes.flatMap((a) => HALVES.map((h) => a[h][0]!.pieceId))
  const changed = after.pieces.filter((p) => !garment.pieces.includes(p)).map((p) => p.id)
  return ok({
    garment: after,
    touched: [...new Set([...bodies, ...changed])].map((pieceId, i) => ({
      pieceId,
      how: i === 0 ? ('asked' as const) : ('partner' as const),
      levels: [],
    })),
    leftOut: [],
    held: heldBySlope(garment, after, armholes, inputs, context.sizeId),
    cautions: [],
  })
}
