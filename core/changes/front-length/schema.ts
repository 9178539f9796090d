import { z } from 'zod'
import { Id } from '../../pattern'

export const FrontLengthSchema = z.strictObject({
  /** The front. */
  pieceId: Id,
  /** How much longer its centre becomes between neck and waist, mm; shorter when negative. */
  amountMm: z.number().finite().min(-5000).max(5000),
})

export type FrontLengthInputs = z.infer<typeof FrontLengthSchema>
