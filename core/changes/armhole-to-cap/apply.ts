import type { Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { armholesWithSleeve, fitArmhole, HALVES, measureArmhole, settleCapMarks, underarmEnd, type ArmholeFit } from '../../seams'
import { lengthToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { bothShapes, holdEdge, holdGrain, holdSeams } from '../shared/held'
import { heldByPairs } from '../shared/held-pairs'
import type { Applied, Caution, ChangeContext } from '../types'
import type { ArmholeToCapInputs } from './schema'

/** Armholes of every size as long as their caps ask for; and how the underarm went in each. */
export function armholesFollow(
  garment: Garment,
  inputs: ArmholeToCapInputs,
  context: ChangeContext,
): Result<{ garment: Garment; fits: Map<string, ArmholeFit['moves']> }> {
  const bought = context.bought ?? garment
  const was = armholesWithSleeve(bought)
  const is = armholesWithSleeve(garment)
  if (!is.ok) return is
  const fits = new Map<string, ArmholeFit['moves']>()
  let drawn = garment
  for (const armhole of is.value)
    for (const size of garment.sizes) {
      const old = (was.ok ? was.value : []).find((a) => a.sleeve.seam.id === armhole.sleeve.seam.id)
      if (!old) continue
      const sizeBought = bought.sizes.some((s) => s.id === size.id) ? size.id : bought.baseSizeId
      const { ease } = measureArmhole(bought, old, sizeBought)
      const { cap } = measureArmhole(drawn, armhole, size.id)
      const wanted = { front: cap.front - ease.front - inputs.frontMm, back: cap.back - ease.back - inputs.backMm }
      const fitted = fitArmhole(drawn, armhole, size.id, wanted, inputs.way)
      if (!fitted.ok) return fitted
      drawn = settleCapMarks(bought, fitted.value.garment, armhole, sizeBought, size.id)
      fits.set(size.id, fitted.value.moves)
    }
  return ok({ garment: drawn, fits })
}

/**
 * Makes armholes follow their caps (craft 6.10): front and back each so long that the ease is what it was as bought, or so much more
 * or less; the underarm lowered along the side seam, or lowered and moved outward with the side blended to its lower end.
 * Refuses: a garment without a sleeve sewn into an armhole, a length that the side seam has no room for.
 */
export function applyArmholeToCap(garment: Garment, inputs: ArmholeToCapInputs, context: ChangeContext): Result<Applied> {
  if (garment.pieces.length === 0)
    return refuse('reference-gone', 'garment', 'the pieces this change was made for have gone.', 'Delete the change.')
  const pairs = armholesWithSleeve(garment)
  if (!pairs.ok) return pairs
  const done = armholesFollow(garment, inputs, context)
  if (!done.ok) return done
  const { garment: after, fits } = done.value
  const broken = findBrokenOutline(garment, after)
  if (broken) return refuse('amount-too-large', broken.where, `${broken.what} by this.`, 'Let the cap follow the armhole instead.')
  const bought = context.bought ?? garment
  const sizeBought = bought.sizes.some((s) => s.id === context.sizeId) ? context.sizeId : bought.baseSizeId
  const ends = pairs.value.flatMap((a) => HALVES.map((half) => underarmEnd(garment, a[half])))
  const pieces = new Map(ends.map((e) => [e.piece.id, e]))
  const changing = new Set(ends.flatMap((e) => [...e.armhole, ...e.side].map((r) => `${e.piece.id} ${r.edgeId}`)))
  const held = [...pieces.keys()].flatMap((pieceId) => {
    const { piece, was, is } = bothShapes(garment, after, pieceId, context.sizeId)
    const still = piece.edges.filter((e) => e.role !== 'dart-leg' && !changing.has(`${pieceId} ${e.id}`))
    return [...still.map((e) => holdEdge(piece, was, is, e.id)), holdGrain(piece, was, is)]
  })
  const sleeveSeams = new Set(pairs.value.map((p) => p.sleeve.seam.id))
  return ok({
    garment: after,
    touched: [...pieces.keys()].map((pieceId, i) => ({ pieceId, how: i === 0 ? ('asked' as const) : ('partner' as const), levels: [] })),
    leftOut: [],
    held: [
      ...heldByPairs(garment, after, context.sizeId, {
        more: { front: inputs.frontMm, back: inputs.backMm },
        easeOf: { garment: bought, sizeId: sizeBought },
      }),
      ...holdSeams(garment, after, context.sizeId).filter((h) => ![...sleeveSeams].some((id) => h.label.startsWith(nameOf(garment, id)))),
      ...held,
    ],
    cautions: whatMoved(fits.get(context.sizeId)),
    setsEase: true,
  })
}

const nameOf = (garment: Garment, seamId: string) => garment.seams.find((s) => s.id === seamId)!.name

function whatMoved(moves: ArmholeFit['moves'] | undefined): Caution[] {
  if (!moves) return []
  const { downMm, outMm } = moves.front
  if (downMm === 0 && outMm === 0) return []
  const down = `The underarm went ${lengthToken(Math.abs(downMm))} ${downMm > 0 ? 'down' : 'up'} along the side seam`
  const out =
    outMm === 0
      ? ''
      : ` and ${lengthToken(Math.abs(outMm))} ${outMm > 0 ? 'outward, which gives room at the bust' : 'inward, which takes room at the bust'}`
  return [{ code: 'underarm-moved', message: `${down}${out}.` }]
}
