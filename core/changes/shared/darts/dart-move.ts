import { z } from 'zod'
import { Id } from '../../../pattern'

/** Where a dart is moved to, how much of it, and how it is finished. */
export const DartMoveSchema = z.strictObject({
  /** The dart, as “piece id, space, dart id”. */
  dart: z.string().min(1).max(170),
  /** Where it goes: an edge of its piece, and how far along it from its start, mm. */
  edgeId: Id,
  atMm: z.number().finite().min(0).max(20000),
  /** How far beyond its tip the apex lies where none is marked, mm; 0 for what is usual. */
  beyondMm: z.number().finite().min(0).max(300),
  /** How much of its angle goes there, percent; the rest stays. */
  sharePct: z.int().min(5).max(100),
  /** How far from the apex its tip ends, mm. */
  tipBackMm: z.number().finite().min(0).max(300),
  /** Whether the edge in which it closes is drawn smoothly. */
  trued: z.boolean(),
})

export type DartMove = z.infer<typeof DartMoveSchema>
