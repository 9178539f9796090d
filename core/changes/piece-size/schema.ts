import { z } from 'zod'
import { Id } from '../../pattern'

export const PieceSizeSchema = z.strictObject({
  pieceId: Id,
  /** The printed size it is cut in. */
  sizeId: Id,
  /** Pieces sewn to it that stay in the size they are in. */
  leftOut: z.array(Id).max(200),
})

export type PieceSizeInputs = z.infer<typeof PieceSizeSchema>
