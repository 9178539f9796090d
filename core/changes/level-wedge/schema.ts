import { z } from 'zod'
import { Id } from '../../pattern'

const AlongMm = z.number().finite().min(0).max(20000)

export const LevelWedgeSchema = z.strictObject({
  pieceId: Id,
  /** The edge at which the wedge is widest, and how far from its upper end, mm. */
  edgeId: Id,
  belowMm: AlongMm,
  /** The edge at which it is nothing, and how far from its upper end, mm. */
  hingeEdgeId: Id,
  hingeBelowMm: AlongMm,
  /** Width of the wedge that is put in, mm; taken out when negative. */
  amountMm: z.number().finite().min(-5000).max(5000),
  /** Where an edge that was straight gives or takes when it is ruled straight again. */
  straighten: z.enum(['lower', 'upper', 'between']),
})

export type LevelWedgeInputs = z.infer<typeof LevelWedgeSchema>
