import { z } from 'zod'
import { DoneOnSchema } from '../shared/one-side'
import { Id } from '../../pattern'

export const ShoulderWidthSchema = z.strictObject({
  /** How much longer the redrawn shoulder seam is, mm; shorter when negative. */
  amountMm: z.number().finite().min(-5000).max(5000),
  /**
   * The armhole keeps its length, swung about the hinge, as it does where nothing is said; or it is redrawn from the end of a seam that
   * keeps its slope, and the cap follows.
   */
  armhole: z.enum(['kept', 'redrawn']).optional(),
  /** How far down the armhole from the shoulder the hinge sits, mm. */
  hingeMm: z.number().finite().min(1).max(2000),
  /** Pieces that are not to follow. */
  leftOut: z.array(Id).max(200),
  /** One side of the body alone, or both alike. */
  side: DoneOnSchema,
})

export type ShoulderWidthInputs = z.infer<typeof ShoulderWidthSchema>
