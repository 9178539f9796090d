import { z } from 'zod'
import { Id } from '../../pattern'

export const HemFullnessSchema = z.strictObject({
  /** How much longer the hem of each piece becomes, mm; shorter when negative. */
  amountMm: z.number().finite().min(-5000).max(5000),
  /** The piece that is asked for; its partners follow. */
  pieceId: Id,
  /** How many cuts share the amount. */
  cuts: z.int().min(1).max(12),
  leftOut: z.array(Id).max(200),
  /** Width of the cloth that the piece has to fit on, mm, and whether it lies folded. */
  clothMm: z.number().finite().min(0).max(10000),
  folded: z.boolean(),
})

export type HemFullnessInputs = z.infer<typeof HemFullnessSchema>
