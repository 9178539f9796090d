import { z } from 'zod'
import { Id } from '../../pattern'

/** A size for each zone. A zone that the garment does not have is left out of account. */
export const BlendSchema = z.strictObject({
  bust: Id,
  waist: Id,
  hip: Id,
  /** The change from bust to waist begins this far below the top of the side seam, mm; never above the bust line. */
  startMm: z.number().finite().min(0).max(5000),
  /** The change from waist to hip ends this far below the hip (above it when negative), mm. */
  endMm: z.number().finite().min(-2000).max(2000),
})

export type BlendInputs = z.infer<typeof BlendSchema>
export type BlendZone = 'bust' | 'waist' | 'hip'
