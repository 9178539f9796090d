import { z } from 'zod'

export const AcrossWidthSchema = z.strictObject({
  half: z.enum(['front', 'back']),
  /** How much broader it becomes across the body, mm; narrower when negative. Each armhole goes out by half of it. */
  amountMm: z.number().finite().min(-5000).max(5000),
})

export type AcrossWidthInputs = z.infer<typeof AcrossWidthSchema>
