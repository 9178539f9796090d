import { z } from 'zod'

export const StraightenDartSchema = z.strictObject({
  /** The dart, as “piece id, space, dart id”. */
  dart: z.string().min(1).max(170),
  /** Exactly, by half its angle; or as a ruler does it, by half its intake along the edge. */
  way: z.enum(['exact', 'ruler']),
  /** How much lower along its edge than that, mm: where the line would run too near to the armhole. */
  lowerMm: z.number().finite().min(0).max(500),
  tipBackMm: z.number().finite().min(0).max(300),
  trued: z.boolean(),
})

export type StraightenDartInputs = z.infer<typeof StraightenDartSchema>
