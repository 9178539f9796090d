import { z } from 'zod'

export const LowerArmholeSchema = z.strictObject({
  /** How far the underarm goes down the side seam, mm; up when negative. */
  amountMm: z.number().finite().min(-5000).max(5000),
  /** How the cap follows: by its height, its width at the bicep, half by each; or it is left as it is. */
  cap: z.enum(['height', 'width', 'both', 'left']),
})

export type LowerArmholeInputs = z.infer<typeof LowerArmholeSchema>
