import { z } from 'zod'
import { DoneOnSchema } from '../shared/one-side'

export const ShoulderSlopeSchema = z.strictObject({
  /** How far the outer end of the shoulder goes up, mm: squarer; down when negative: more sloping. */
  amountMm: z.number().finite().min(-5000).max(5000),
  /** The armhole goes up or down as a whole and keeps its length, or it grows and the cap follows. */
  armhole: z.enum(['kept', 'grows']),
  /** One side of the body alone, or both alike. */
  side: DoneOnSchema,
})

export type ShoulderSlopeInputs = z.infer<typeof ShoulderSlopeSchema>
