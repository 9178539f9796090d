import { z } from 'zod'
import { Id } from '../../pattern'

export const TakeInFoldSchema = z.strictObject({
  /** The dart that takes the fold in, as “piece id, space, dart id”. */
  dart: z.string().min(1).max(170),
  /** The edge it was pinned at. */
  edgeId: Id,
  /** From where it was measured: a corner of that edge, or “notch:” and a notch's id. */
  from: z.string().min(1).max(90),
  /** How far from there to the nearer pin, mm along the edge. */
  atMm: z.number().finite().min(0).max(20000),
  /** How much was pinned at the edge, from pin to pin, mm. */
  amountMm: z.number().finite().min(0).max(5000),
  /** On both sides of the body alike; or only on the half as drawn, or only on the other: then the piece is opened out. */
  sides: z.enum(['both', 'one', 'other']),
  tipBackMm: z.number().finite().min(0).max(300),
})

export type TakeInFoldInputs = z.infer<typeof TakeInFoldSchema>
