import { z } from 'zod'
import { Id } from '../../../pattern'

/** The mark that a level is measured from. */
export const MarkSchema = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('narrowest') }),
  z.strictObject({ by: z.literal('line'), id: Id }),
  z.strictObject({ by: z.literal('notch'), id: Id }),
  z.strictObject({ by: z.literal('corner'), id: Id }),
])

export const LevelSchema = z.strictObject({
  id: Id,
  /** Its part of the amount, in relation to the other levels' shares. */
  share: z.number().finite().positive().max(1000),
  mark: MarkSchema,
  /** How far below the mark along the grain, mm; negative is above. */
  belowMm: z.number().finite().min(-5000).max(5000),
})

export const LevelsSchema = z.strictObject({
  /** Longer when positive, shorter when negative, mm. */
  amountMm: z.number().finite().min(-5000).max(5000),
  /** The piece on which the levels are named. */
  pieceId: Id,
  levels: z.array(LevelSchema).min(1).max(12),
  /** Partner pieces that are not to follow. */
  leftOut: z.array(Id).max(200),
})

export type Mark = z.infer<typeof MarkSchema>
export type Level = z.infer<typeof LevelSchema>
export type LevelsInputs = z.infer<typeof LevelsSchema>
