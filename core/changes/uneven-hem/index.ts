import { proposeHem } from './proposes'
import { readUnevenHem, WHERE } from './reads'
import { sumOfAmounts } from '../shared/sum-of-amounts'
import { measureLength, placeAt } from '../../geometry'
import { finishedLength, type LengthPlace } from '../../measure'
import { edgePath, findPiece, grainDirection, shapeOf, type Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { defineChange } from '../define-change'
import type { ChangeContext, Handle } from '../types'
import { applyUnevenHem } from './apply'
import { findHem } from './find-hem'
import { unevenHemPaperSteps } from './paper-steps'
import { UnevenHemSchema, type UnevenHemInputs } from './schema'

const KEYS = ['centreFrontMm', 'sideMm', 'centreBackMm'] as const

const beginHem = (garment: Garment, context: ChangeContext): Result<UnevenHemInputs> =>
  findHem(garment, context.sizeId).length === 0
    ? refuse('no-hem', 'garment', 'it has no hem that runs from a centre to a side.', 'Name the hem edges of front and back first.')
    : ok({ centreFrontMm: 0, sideMm: 0, centreBackMm: 0 })

/** Craft 6.2: lengthen at the hem, unevenly. */
export const unevenHem = defineChange({
  kind: 'uneven-hem',
  title: 'Uneven hem',
  foundBy: [
    'hem',
    'uneven hem',
    'hem hangs unevenly',
    'hem rises at the front',
    'hem drops at the back',
    'longer at the back',
    'level the hem',
    'train',
    'hem tilts',
  ],
  does: 'Moves the hem by one amount at centre front, one at the sides and one at centre back.',
  holds: 'Side seams equal on front and back, everything above the hem, a smooth run through the side seam.',
  schema: UnevenHemSchema,
  reads: readUnevenHem,
  gives: ['waist-to-hem-front', 'waist-to-hem-side', 'waist-to-hem-back'],
  phase: 'hems',
  givesLength(garment, row, context) {
    if (row.to !== 'hem' || row.missingMm === null || !beginHem(garment, context).ok) return null
    const key = row.id.endsWith('back') ? 'centreBackMm' : row.id.endsWith('front') ? 'centreFrontMm' : 'sideMm'
    return { centreFrontMm: 0, sideMm: 0, centreBackMm: 0, [key]: row.missingMm }
  },
  ofPin(garment, pinned, _side, context) {
    if (pinned.how !== 'hem') return null
    const by = (mm: number) => (pinned.isLonger ? mm : 0 - mm)
    const begun = beginHem(garment, context)
    if (!begun.ok) return begun
    return ok({ centreFrontMm: by(pinned.centreFrontMm), sideMm: by(pinned.sideMm), centreBackMm: by(pinned.centreBackMm) })
  },
  proposes: proposeHem,
  takesOver: sumOfAmounts,
  begin: beginHem,
  fields: (garment) => {
    const now = (place: LengthPlace) => finishedLength(garment, place, garment.baseSizeId)
    return [
      { type: 'growth', key: 'centreFrontMm', label: 'At centre front', plus: 'Longer', minus: 'Shorter', nowMm: now('centre-front') },
      { type: 'growth', key: 'sideMm', label: 'At the sides', plus: 'Longer', minus: 'Shorter', nowMm: now('side') },
      { type: 'growth', key: 'centreBackMm', label: 'At centre back', plus: 'Longer', minus: 'Shorter', nowMm: now('centre-back') },
    ]
  },
  describe(_garment, inputs) {
    const most = KEYS.reduce((a, b) => (Math.abs(inputs[b]) > Math.abs(inputs[a]) ? b : a))
    if (inputs[most] === 0) return { title: 'Uneven hem', amountMm: 0 }
    // Its largest figure is named with its place: the others are in the stop.
    const isAlone = KEYS.every((key) => key === most || inputs[key] === 0)
    const isAlike = KEYS.every((key) => inputs[key] === inputs[most])
    const where = isAlike ? 'all round' : `${WHERE[most]}${isAlone ? ' only' : ''}`
    return { title: `${inputs[most] > 0 ? 'Longer' : 'Shorter'} hem ${where}`, amountMm: inputs[most] }
  },
  apply: applyUnevenHem,
  handles(garment, inputs, applied, context): Handle[] {
    const made = new Set<string>()
    return findHem(garment, context.sizeId).flatMap((part): Handle[] => {
      const after = shapeOf(findPiece(applied.garment, part.piece.id)!, context.sizeId)
      const hem = edgePath(after, part.edge.id)
      const total = measureLength(hem)
      const centreKey = part.half === 'front' ? 'centreFrontMm' : 'centreBackMm'
      const from = part.fromCentreMm
      const ends = from
        ? (
            [
              [0, from.start],
              [total, from.end],
            ] as const
          ).flatMap(([at, out]) =>
            out === 0 ? [{ at, key: centreKey }] : Math.abs(out - part.halfMm) < 1 ? [{ at, key: 'sideMm' as const }] : [],
          )
        : [
            { at: 0, key: 'sideMm' as const },
            { at: total / 2, key: centreKey },
          ]
      return ends
        .filter(({ key }) => !made.has(key) && made.add(key))
        .map(({ at, key }) => ({
          id: key,
          pieceId: part.piece.id,
          at: placeAt(hem, at).point,
          axis: grainDirection(after),
          label: key === 'sideMm' ? 'side' : 'centre',
          valueMm: inputs[key as (typeof KEYS)[number]],
          kind: 'amount',
          isGrowth: true as const,
        }))
    })
  },
  drag: (_garment, inputs, handleId, byMm) => {
    const key = KEYS.find((k) => k === handleId)
    return key ? { ...inputs, [key]: inputs[key] + byMm } : inputs
  },
  paperSteps: unevenHemPaperSteps,
  withLargest: (_garment, inputs, largestMm) => {
    const most = Math.max(Math.abs(inputs.centreFrontMm), Math.abs(inputs.sideMm), Math.abs(inputs.centreBackMm))
    const part = most > 0 ? Math.abs(largestMm) / most : 0
    return { centreFrontMm: inputs.centreFrontMm * part, sideMm: inputs.sideMm * part, centreBackMm: inputs.centreBackMm * part }
  },
  withAmount: (_garment, _inputs, amountMm) => ({ centreFrontMm: amountMm, sideMm: amountMm / 2, centreBackMm: amountMm / 4 }),
})
