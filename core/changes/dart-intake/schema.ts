import { z } from 'zod'

export const DartIntakeSchema = z.strictObject({
  /** The dart, as “piece id, space, dart id”. */
  dart: z.string().min(1).max(170),
  /** How much more it takes in between the ends of its legs, mm; less when negative. */
  amountMm: z.number().finite().min(-5000).max(5000),
})

export type DartIntakeInputs = z.infer<typeof DartIntakeSchema>
