import type { Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { crotchOf, HALVES, runLength, type Crotch, type Half } from '../../seams'
import { lengthToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import type { Applied, Caution, ChangeContext } from '../types'
import { heldByScoop } from './held'
import type { CrotchShapeInputs } from './schema'
import { scoopCrotch, type CrotchRead } from './scoop'

/** A scoop of more than this at once is worth sewing in two rounds, mm: what has been cut away cannot come back. */
const DEEP_SCOOP_MM = 19

/** Readings that lie further apart than this from their mean are worth taking again, mm. */
const WIDE_SPREAD_MM = 8

/** Where the body’s curve is shallower by more than this it is said, mm. */
const SHALLOWER_MM = 3

/** Width that a scoop takes is offered back from here on, mm. */
const TAKEN_MM = 2

/**
 * Scoops the crotch of both legs toward a body’s own curve (craft 6.9): the line of the pattern goes by a share of the distance, square
 * to it, where the body’s curve lies deeper; where it is shallower the line stays. Both ends stay, and their directions.
 * Refuses: a garment without legs or an inseam, no reading, a share that crosses an outline (with less it works).
 */
export function applyCrotchShape(garment: Garment, inputs: CrotchShapeInputs, context: ChangeContext): Result<Applied<CrotchShapeInputs>> {
  if (garment.pieces.length === 0)
    return refuse('reference-gone', 'garment', 'the legs this change was made for have gone.', 'Delete the change.')
  const crotch = crotchOf(garment)
  if (!crotch.ok) return crotch
  const done = scoopCrotch(garment, inputs)
  if (!done.ok) return done
  const { garment: after, reads } = done.value
  const broken = findBrokenOutline(garment, after)
  if (broken) return refuse('amount-too-large', broken.where, `${broken.what} by such a scoop.`, 'Take a smaller share.')
  const read = reads.get(context.sizeId)
  return ok({
    garment: after,
    touched: HALVES.map((half, i) => ({
      pieceId: crotch.value[half].piece.id,
      how: i === 0 ? ('asked' as const) : ('partner' as const),
      levels: [],
    })),
    leftOut: [],
    held: heldByScoop(garment, after, crotch.value, context.sizeId),
    cautions: read ? cautionsOf(garment, after, crotch.value, inputs, read, context.sizeId) : [],
  })
}

function cautionsOf(
  before: Garment,
  after: Garment,
  crotch: Crotch,
  inputs: CrotchShapeInputs,
  read: CrotchRead,
  sizeId: string,
): Caution<CrotchShapeInputs>[] {
  const cautions: Caution<CrotchShapeInputs>[] = []
  const most = read.curve.spreadMm
  if (inputs.readings.length > 1)
    cautions.push({
      code: 'spread',
      message: `${inputs.readings.length} readings, averaged: they lie up to ${lengthToken(most)} from their mean.${most > WIDE_SPREAD_MM ? ' That is far apart: take them again.' : ''}`,
    })
  const share = (half: Half) => (half === 'front' ? inputs.frontShare : inputs.backShare)
  const grew = HALVES.map((half) => runLength(after, crotch[half].runs, sizeId) - runLength(before, crotch[half].runs, sizeId))
  const scooped = HALVES.map((half) => share(half) * read.depth[half].deepest.mm)
  cautions.push({
    code: 'crotch-grew',
    message: `Scooped by ${lengthToken(scooped[0]!)} in front and ${lengthToken(scooped[1]!)} at the back where it is deepest; the body asks for ${lengthToken(read.depth.front.deepest.mm)} and ${lengthToken(read.depth.back.deepest.mm)}. The crotch seam is ${lengthToken(grew[0]! + grew[1]!)} longer.`,
  })
  if (Math.max(...scooped) > DEEP_SCOOP_MM)
    cautions.push({
      code: 'deep-scoop',
      message: 'That is much at once: what has been cut away cannot come back. Sew part of it, read the curve again, and go on.',
    })
  for (const half of HALVES)
    if (read.depth[half].shallowerMm > SHALLOWER_MM)
      cautions.push({
        code: 'shallower',
        message: `In ${half === 'front' ? 'front' : 'the back'} the body’s curve is shallower than the pattern by up to ${lengthToken(read.depth[half].shallowerMm)}: cloth cannot be put back by scooping, so the line stays there.`,
        pieceId: crotch[half].piece.id,
      })
  const taken = (read.taken.front.mm + read.taken.back.mm) / 2
  if (taken > TAKEN_MM && inputs.giveBackMm === 0)
    cautions.push({
      code: 'thigh-taken',
      message: `The scoop takes ${lengthToken(read.taken.front.mm)} of width in front and ${lengthToken(read.taken.back.mm)} at the back.`,
      mend: { label: 'Give it back at the outseams', inputs: { ...inputs, giveBackMm: Math.round(taken * 2) / 2 } },
    })
  return cautions
}
