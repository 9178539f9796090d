import { z } from 'zod'
import { DoneOnSchema } from '../shared/one-side'

const Amount = z.number().finite().min(-1000).max(1000)

/** How much each side edge goes out (in, when negative) at its bust, waist and hip, mm. */
export const AddAtEdgeSchema = z.strictObject({
  bustMm: Amount,
  waistMm: Amount,
  hipMm: Amount,
  /** One side of the body alone, or both alike. */
  side: DoneOnSchema,
})

export type AddAtEdgeInputs = z.infer<typeof AddAtEdgeSchema>
