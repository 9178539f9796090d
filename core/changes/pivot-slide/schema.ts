import { z } from 'zod'
import { Id } from '../../pattern'

const Mm = z.number().finite().min(-5000).max(5000)

const MarkId = z.string().min(1).max(90)
const Along = z.number().finite().min(0).max(20000).optional()

/** One move of a free list: slide the pattern, or turn it about a corner until another place has gone some way; then trace edges. */
export const PivotMoveSchema = z.discriminatedUnion('how', [
  z.strictObject({ id: Id, how: z.literal('slide'), acrossMm: Mm, alongMm: Mm, edgeIds: z.array(Id).min(1).max(100) }),
  z.strictObject({
    id: Id,
    how: z.literal('pivot'),
    /** A corner's id, “notch:” and a notch's, or “edge:” and an edge's: then so far along it from its start, mm. */
    pinId: MarkId,
    pinMm: Along,
    targetId: MarkId,
    targetMm: Along,
    direction: z.enum(['across', 'along', 'place']),
    /** The place that it is turned toward, where the direction is a place. */
    towardId: MarkId.optional(),
    towardMm: Along,
    /** Across or along; of no account toward a place. */
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
