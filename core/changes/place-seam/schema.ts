import { z } from 'zod'
import { Id } from '../../pattern'
import { LevelSchema } from '../shared/levels/schema'

export const PlaceSeamSchema = z.strictObject({
  /** The seam to be moved, and the piece on which the distance is measured. */
  seamId: Id,
  pieceId: Id,
  /** The corner from which the distance along the side is measured (the underarm). */
  fromCornerId: Id,
  /** Wanted distance along the side seam line from that corner to the seam, mm. */
  wantedMm: z.number().finite().min(0).max(3000),
  /** Where the difference is taken. */
  level: LevelSchema,
  /** Give the same amount back below the seam, so that the whole garment keeps its length. */
  giveBack: z.boolean(),
})

export type PlaceSeamInputs = z.infer<typeof PlaceSeamSchema>
