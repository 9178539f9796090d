import { z } from 'zod'

export const TrueCornerSchema = z.strictObject({
  /** A place where an edge runs through a seam, a dart or a fold, by the id that matching gives it. */
  cornerId: z.string().min(1).max(250),
  /** How much of each edge is redrawn from the corner on, mm; nothing for 0. */
  reachMm: z.number().finite().min(0).max(5000),
  /** How much of the turn the first of the two edges takes; the other takes the rest. */
  firstTakes: z.enum(['none', 'half', 'all']),
})

export type TrueCornerInputs = z.infer<typeof TrueCornerSchema>
