import { z } from 'zod'

export const RaiseDartSchema = z.strictObject({
  /** The dart, as “piece id, space, dart id”. */
  dart: z.string().min(1).max(170),
  /** How far up, mm; down when negative. */
  amountMm: z.number().finite().min(-5000).max(5000),
})

export type RaiseDartInputs = z.infer<typeof RaiseDartSchema>
