import { findNearestRoot } from '../../geometry'
import type { Garment, RunEdge } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import {
  distinctHalves,
  evenUnderarms,
  findArmholes,
  fitArmholes,
  halfKey,
  HALVES,
  runLength,
  settleCapsInSizes,
  slopeShoulder,
  whyNoArmhole,
  type Armhole,
} from '../../seams'
import { LENGTH_FOUND_MM } from '../../tolerances'
import { limitToken } from '../../units'
import { drawOrRefuse } from '../shared/draw-or-refuse'
import { touchedBy } from '../shared/touched-by'
import type { Applied, ChangeContext } from '../types'
import { heldBySlope } from './held'
import type { ShoulderSlopeInputs } from './schema'

/** Does half an armhole lie on one piece, so that it can go up or down as a whole? */
const isOnOne = (armhole: Armhole): boolean => HALVES.every((h) => new Set(armhole[h].map((r) => r.pieceId)).size === 1)

function slope(garment: Garment, inputs: ShoulderSlopeInputs): Result<{ garment: Garment }> {
  if (inputs.amountMm === 0) return ok({ garment })
  const armholes = findArmholes(garment)
  let drawn = garment
  for (const size of garment.sizes) {
    const done = slopeSize(drawn, garment, armholes, inputs, size.id)
    if (!done.ok) return done
    drawn = done.value
  }
  return settleCapsInSizes(garment, drawn)
}

/** One size of every armhole under its sloped shoulders. */
function slopeSize(
  garment: Garment,
  before: Garment,
  armholes: readonly Armhole[],
  inputs: ShoulderSlopeInputs,
  sizeId: string,
): Result<Garment> {
  if (inputs.armhole === 'kept' && armholes.every(isOnOne)) return carriedAlong(garment, armholes, sizeId, inputs.amountMm)
  const done = slopeHalves(
    garment,
    distinctHalves(armholes).map((h) => h.runs),
    sizeId,
    inputs.amountMm,
    null,
  )
  if (!done.ok || inputs.armhole === 'grows') return done
  // An armhole over several pieces is brought back to its length at the underarm.
  const was = (armhole: Armhole) => ({ front: runLength(before, armhole.front, sizeId), back: runLength(before, armhole.back, sizeId) })
  const fitted = fitArmholes(done.value, armholes, sizeId, was, 'lower')
  return fitted.ok ? ok(fitted.value.garment) : fitted
}

/** How much further or less far than the tip an underarm may go so that the armhole keeps its length, as a part of it and beyond, mm. */
const CARRIED = { part: 0.8, more: 15 }

const slopeHalves = (
  garment: Garment,
  halves: readonly (readonly RunEdge[])[],
  sizeId: string,
  amountMm: number,
  carriedMm: number | null,
) => halves.reduce<Result<Garment>>((g, runs) => (g.ok ? slopeShoulder(g.value, runs, sizeId, amountMm, carriedMm) : g), ok(garment))

/**
 * Every armhole taken along as a whole: its underarm goes by so much that front and back together keep their length, each of them by
 * its curve. A half that two armholes share goes with the first.
 */
function carriedAlong(before: Garment, armholes: readonly Armhole[], sizeId: string, amountMm: number): Result<Garment> {
  let drawn = before
  const done = new Set<string>()
  for (const armhole of armholes) {
    const halves = HALVES.map((h) => armhole[h]).filter((runs) => !done.has(halfKey(runs)))
    halves.forEach((runs) => done.add(halfKey(runs)))
    const from = drawn
    const sloped = (moreMm: number) => slopeHalves(from, halves, sizeId, amountMm, amountMm + moreMm)
    const sum = (g: Garment) => halves.reduce((mm, runs) => mm + runLength(g, runs, sizeId), 0)
    const off = (moreMm: number) => {
      const there = sloped(moreMm)
      return there.ok ? sum(there.value) - sum(before) : Number.NaN
    }
    const reach = Math.abs(amountMm) * CARRIED.part + CARRIED.more
    const found = findNearestRoot(off, { plus: reach, minus: reach }, LENGTH_FOUND_MM)
    const there = sloped('at' in found ? found.at : 0)
    if (!there.ok) return there
    drawn = there.value
  }
  const cannot = refuse<Garment>(
    'amount-too-large',
    'armhole',
    'it cannot keep its length so far up or down.',
    'Ask for less, or let the cap follow.',
  )
  return armholes.reduce<Result<Garment>>((g, armhole) => {
    const evened = g.ok ? evenUnderarms(before, g.value, armhole, sizeId) : null
    return evened ? ok(evened) : cannot
  }, ok(drawn))
}

/**
 * Makes the shoulders squarer or more sloping, front and back alike (craft 6.7): the outer end goes up or down about the neck point;
 * the armhole goes along and keeps its length, or it grows and the cap follows.
 * Refuses: a garment without an armhole under a shoulder seam, several darts in one shoulder, an amount that the shoulder or the side
 * seam has no room for, or that crosses an outline (with the largest that works).
 */
export function applyShoulderSlope(
  garment: Garment,
  inputs: ShoulderSlopeInputs,
  context: ChangeContext,
): Result<Applied<ShoulderSlopeInputs>> {
  if (garment.pieces.length === 0)
    return refuse('reference-gone', 'garment', 'the pieces this change was made for have gone.', 'Delete the change.')
  const armholes = findArmholes(garment)
  const none = whyNoArmhole(garment, armholes)
  if (none) return none
  const done = drawOrRefuse(
    garment,
    inputs.amountMm,
    (g, amountMm) => slope(g, { ...inputs, amountMm }),
    (mm) => `Here the end of the shoulder can go ${limitToken(Math.abs(mm))} ${inputs.amountMm < 0 ? 'down' : 'up'} at most.`,
    ['darts-in-shoulder'],
  )
  if (!done.ok) return done
  const after = done.value.garment
  return ok({
    garment: after,
    touched: touchedBy(
      garment,
      after,
      distinctHalves(armholes).map(({ runs }) => runs[0]!.pieceId),
    ),
    leftOut: [],
    held: heldBySlope(garment, after, armholes, inputs, context.sizeId),
    cautions: [],
  })
}
