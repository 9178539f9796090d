import { z } from 'zod'
import { DoneOnSchema } from '../shared/one-side'

export const ForwardShoulderSchema = z.strictObject({
  /** How far the outer end of the shoulder seam goes to the front, mm; to the back when negative. */
  amountMm: z.number().finite().min(-5000).max(5000),
  /** What becomes of the sleeve: its notch moves along the cap, or the whole cap is slid. */
  sleeve: z.enum(['notch', 'slide']),
  /** Added across the back at the middle of the armhole, and taken from the front, mm. */
  acrossMm: z.number().finite().min(0).max(200),
  /** One side of the body alone, or both alike. */
  side: DoneOnSchema,
})

export type ForwardShoulderInputs = z.infer<typeof ForwardShoulderSchema>
