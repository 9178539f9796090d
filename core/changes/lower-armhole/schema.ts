import { z } from 'zod'
import { DoneOnSchema } from '../shared/one-side'

export const LowerArmholeSchema = z.strictObject({
  /** How far the underarm goes down the side seam, mm; up when negative. */
  amountMm: z.number().finite().min(-5000).max(5000),
  /** How the cap follows: by its height, its width at the bicep, half by each; or it is left as it is. */
  cap: z.enum(['height', 'width', 'both', 'left']),
  /** One side of the body alone, or both alike. */
  side: DoneOnSchema,
})

export type LowerArmholeInputs = z.infer<typeof LowerArmholeSchema>
