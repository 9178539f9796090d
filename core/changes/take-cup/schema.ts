import { z } from 'zod'
import { Id } from '../../pattern'

export const TakeCupSchema = z.strictObject({
  pieceId: Id,
  /** The cup whose piece takes its place. */
  cup: z.string().min(1).max(20),
})

export type TakeCupInputs = z.infer<typeof TakeCupSchema>
