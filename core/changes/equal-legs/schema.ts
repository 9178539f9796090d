import { z } from 'zod'

export const EqualLegsSchema = z.strictObject({
  /** The dart, as “piece id, space, dart id”. */
  dart: z.string().min(1).max(170),
  /** The leg whose end on the edge moves, in outline order. */
  leg: z.enum(['first', 'second']),
  /** How much longer that leg becomes, mm; shorter when negative. */
  growMm: z.number().finite().min(-5000).max(5000),
})

export type EqualLegsInputs = z.infer<typeof EqualLegsSchema>
