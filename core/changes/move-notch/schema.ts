import { z } from 'zod'

export const MoveNotchSchema = z.strictObject({
  /** The notch, as “piece id, space, notch id”. */
  notch: z.string().min(1).max(170),
  /** Along its edge, away from the edge's start when positive, mm. */
  byMm: z.number().finite().min(-5000).max(5000),
})

export type MoveNotchInputs = z.infer<typeof MoveNotchSchema>
