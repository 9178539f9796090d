import { z } from 'zod'

export const RaiseDartSchema = z.strictObject({
  /** The dart, as “piece id, space, dart id”. */
  dart: z.string().min(1).max(170),
  /** How far up, mm; down when negative. */
  amountMm: z.number().finite().min(-5000).max(5000),
  /** How far its apex goes toward the side, mm; toward the centre when negative. */
  asideMm: z.number().finite().min(-5000).max(5000).default(0),
})

export type RaiseDartInputs = z.infer<typeof RaiseDartSchema>

/** The larger one of its two amounts. */
export const mainAmount = ({ amountMm, asideMm }: RaiseDartInputs): 'amountMm' | 'asideMm' =>
  Math.abs(asideMm) > Math.abs(amountMm) ? 'asideMm' : 'amountMm'
