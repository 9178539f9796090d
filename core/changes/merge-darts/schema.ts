import { z } from 'zod'

const Ref = z.string().min(1).max(170)

export const MergeDartsSchema = z.strictObject({
  /** The dart that closes, and the one of the same piece that opens by its angle; “piece id, space, dart id”. */
  dart: Ref,
  into: Ref,
  tipBackMm: z.number().finite().min(0).max(300),
  trued: z.boolean(),
})

export type MergeDartsInputs = z.infer<typeof MergeDartsSchema>
