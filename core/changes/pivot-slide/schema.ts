import { z } from 'zod'
import { Id } from '../../pattern'

const Mm = z.number().finite().min(-5000).max(5000)

/** One move of a free list: slide the pattern, or turn it about a corner until another has gone some way; then trace edges. */
export const PivotMoveSchema = z.discriminatedUnion('how', [
  z.strictObject({ id: Id, how: z.literal('slide'), acrossMm: Mm, alongMm: Mm, edgeIds: z.array(Id).min(1).max(100) }),
  z.strictObject({
    id: Id,
    how: z.literal('pivot'),
    /** A corner's id, or “notch:” and a notch's. */
    pinId: Id,
    targetId: Id,
    direction: z.enum(['across', 'along']),
    byMm: Mm,
    edgeIds: z.array(Id).min(1).max(100),
  }),
])

export const SEQUENCES = ['waist', 'hip', 'bust', 'slope', 'longer', 'wider', 'free'] as const

export const PivotSlideSchema = z.strictObject({
  sequence: z.enum(SEQUENCES),
  /** What every edge goes out by (in, down or shorter when negative), mm; of no account in a free list. */
  amountMm: Mm,
  /** Pieces that are not to follow. */
  leftOut: z.array(Id).max(200),
  /** The free list, on one piece. */
  pieceId: Id,
  moves: z.array(PivotMoveSchema).max(40),
})

export type PivotMove = z.infer<typeof PivotMoveSchema>
export type Sequence = (typeof SEQUENCES)[number]
export type PivotSlideInputs = z.infer<typeof PivotSlideSchema>
