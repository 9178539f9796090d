import { z } from 'zod'

export const AcrossArmholeSchema = z.strictObject({
  /** The half of the body that is changed; the other stays. */
  half: z.enum(['front', 'back']),
  /** How far below the upper end of that half of the armhole the line runs, along the grain, mm. */
  belowMm: z.number().finite().min(-5000).max(5000),
  /** How much longer the half becomes between shoulder and underarm, mm; shorter when negative. */
  amountMm: z.number().finite().min(-5000).max(5000),
})

export type AcrossArmholeInputs = z.infer<typeof AcrossArmholeSchema>
