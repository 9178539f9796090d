import { z } from 'zod'

export const FinishDartSchema = z.strictObject({
  /** The dart, as “piece id, space, dart id”. */
  dart: z.string().min(1).max(170),
  /** How far from the apex its tip ends, mm. */
  tipBackMm: z.number().finite().min(0).max(300),
  /** Both legs as long as the longer one, or as they are. */
  legs: z.enum(['equal', 'keep']),
  /** Which way it is pressed, in outline order; decides its cap. */
  pressTo: z.enum(['before', 'after']),
})

export type FinishDartInputs = z.infer<typeof FinishDartSchema>
