import { add, scale, alongGrain } from '../../geometry'
import { lineLevel } from '../../measure'

import { grainDirection, shapeOf, type Garment } from '../../pattern'
import { ok } from '../../result'
import { findWrap, wrapNow, wrapPlaces, type WrapPiece } from '../../seams'
import { defineChange } from '../define-change'
import { necklineAsSewn } from '../shared/as-sewn'
import type { Handle } from '../types'
import { applyWrapOver } from './apply'
import { wrapPaperSteps } from './paper-steps'
import { readWrapOver } from './reads'
import { WrapOverSchema } from './schema'

/** What a wrap usually is, mm: what it covers beside the bust point, where it ends above a waist edge. */
const USUAL = { coverMm: 135, endAboveMm: 25, shorterPct: 3, clothMm: 1400 }

/** How much more another way covers, mm: an inch. */
const MORE_MM = 25.4

/** How far above the lower edge the waist lies on a front that goes on below it, mm; null where it ends at the waist. */
function waistAbove(garment: Garment, wrap: WrapPiece, sizeId: string): number | null {
  const { piece } = wrap.neckline
  const shape = shapeOf(piece, sizeId)
  const line = piece.lines.find((l) => l.role === 'waist')
  const level = line ? lineLevel(shape, line.id) : null
  return level === null ? null : alongGrain(wrapPlaces(garment, wrap, sizeId).middle, grainDirection(shape)) - level
}

/** Craft 6.13: a front that crosses over. */
export const wrapOver = defineChange({
  kind: 'wrap-over',
  title: 'Wrap front',
  foundBy: ['wrap front', 'wrap over', 'crossover front', 'wrap dress', 'overlap of the wrap', 'front slope'],
  does: 'Draws a front to cross over the other one, or a wrapped front anew: its overlap, its edge past the bust point, where it ends.',
  holds: 'Shoulder, armhole, side, dart and grain; the overlap and the cover as asked; the edge bends one way only.',
  schema: WrapOverSchema,
  reads: (wish, _garment, _context, begun) => readWrapOver(wish, begun),
  phase: 'widths',
  begin(garment, context) {
    const found = findWrap(garment)
    if (!found.ok) return found
    const wrap = found.value
    const now = wrapNow(garment, wrap, context.sizeId)
    return ok(
      now ? { ...USUAL, ...now } : { ...USUAL, overlapMm: 0, endAboveMm: waistAbove(garment, wrap, context.sizeId) ?? USUAL.endAboveMm },
    )
  },
  fields: () => [
    { type: 'length', key: 'overlapMm', label: 'Beyond the centre', hint: 'Where it crosses over, at the lower end of its edge.' },
    {
      type: 'length',
      key: 'coverMm',
      label: 'Beside the bust point',
      hint: 'How far toward the centre the edge passes it: less shows more.',
    },
    { type: 'length', key: 'endAboveMm', label: 'Ends above the lower edge', hint: 'From there down the front edge hangs straight.' },
    { type: 'count', key: 'shorterPct', label: 'Stay or bias strip shorter by, in 100', min: 0, max: 15 },
    { type: 'length', key: 'clothMm', label: 'Width of the cloth for the strips' },
  ],
  describe: (_garment, inputs) => ({ title: 'Wrap front', amountMm: inputs.overlapMm }),
  apply: applyWrapOver,
  handles(_garment, inputs, applied, context): Handle[] {
    const found = findWrap(applied.garment)
    if (!found.ok) return []
    const wrap = found.value
    const { apex, beyond, down, middle } = wrapPlaces(applied.garment, wrap, context.sizeId)
    const corner = add(middle, scale(beyond, inputs.overlapMm))
    const pieceId = wrap.neckline.piece.id
    const one = (id: string, at: Handle['at'], axis: Handle['axis'], label: string, valueMm: number): Handle => ({
      id,
      pieceId,
      at,
      axis,
      label,
      valueMm,
      isGrowth: false,
      kind: id === 'overlap' ? 'amount' : 'level',
    })
    return [
      one('overlap', corner, beyond, 'beyond the centre', inputs.overlapMm),
      one('cover', add(apex, scale(beyond, inputs.coverMm)), beyond, 'beside the bust point', inputs.coverMm),
      one('end', add(corner, scale(down, -inputs.endAboveMm)), scale(down, -1), 'above the lower edge', inputs.endAboveMm),
    ]
  },
  drag(_garment, inputs, handleId, byMm) {
    if (handleId === 'cover') return { ...inputs, coverMm: inputs.coverMm + byMm }
    if (handleId === 'end') return { ...inputs, endAboveMm: Math.max(0, inputs.endAboveMm + byMm) }
    return { ...inputs, overlapMm: Math.max(0, inputs.overlapMm + byMm) }
  },
  choices: (_garment, inputs) => [
    { label: 'covers what it covers', inputs },
    { label: 'covers more', inputs: { ...inputs, coverMm: inputs.coverMm + MORE_MM } },
  ],
  paperSteps: wrapPaperSteps,
  asSewn: (before, _inputs, applied, context) => necklineAsSewn(before, applied.garment, context.sizeId),
  // It cannot reach less far than the centre.
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, overlapMm: Math.abs(amountMm) }),
})

export type { WrapOverInputs } from './schema'
