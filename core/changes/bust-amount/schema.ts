import { z } from 'zod'
import { Id } from '../../pattern'

export const BustAmountSchema = z.strictObject({
  /** The front; of a front in panels the one at the centre. */
  pieceId: Id,
  /** On the half piece, mm; smaller when negative. */
  amountMm: z.number().finite().min(-5000).max(5000),
  /** What the lower edge gains is kept, taken out along the side, or sewn as a dart. */
  waist: z.enum(['keep', 'side', 'dart']),
  /** Without a dart: one is made, or what opens is eased into the side seam. */
  opening: z.enum(['dart', 'ease']),
  tipBackMm: z.number().finite().min(0).max(300),
})

export type BustAmountInputs = z.infer<typeof BustAmountSchema>
