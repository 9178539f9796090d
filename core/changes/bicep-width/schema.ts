import { z } from 'zod'
import { DoneOnSchema } from '../shared/one-side'

export const BicepWidthSchema = z.strictObject({
  /** How much wider the sleeve is at the bicep, mm; narrower when negative. */
  amountMm: z.number().finite().min(-5000).max(5000),
  /** What becomes of the armhole: lowered at the side, lowered and led outward, or left, so that the cap has other ease. */
  armhole: z.enum(['lower', 'out', 'stays']),
  /** One side of the body alone, or both alike. */
  side: DoneOnSchema,
})

export type BicepWidthInputs = z.infer<typeof BicepWidthSchema>
