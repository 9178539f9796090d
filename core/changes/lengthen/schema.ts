import type { z } from 'zod'
import { LevelsSchema } from '../shared/levels/schema'
import { DoneOnSchema } from '../shared/one-side'

export const LengthenSchema = LevelsSchema.extend({
  /** One side of the body alone, a sleeve or a leg, or both alike. */
  side: DoneOnSchema,
})

export type LengthenInputs = z.infer<typeof LengthenSchema>
