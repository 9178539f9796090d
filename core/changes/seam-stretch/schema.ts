import { z } from 'zod'

const Along = z.number().finite().min(0).max(5000)

/** A seam by its first edge, and the stretch of it that is moved. */
export const SeamStretchSchema = z.strictObject({
  /** As “piece id, space, edge id”. */
  seam: z.string().min(1).max(170),
  /** Where it is moved most, from the upper end of the seam, mm along it. */
  atMm: Along,
  /** Over so much above and below it runs out to nothing, mm. */
  aboveMm: Along,
  belowMm: Along,
  /** Each edge, square to it: let out when positive, mm. */
  amountMm: z.number().finite().min(-500).max(500),
})

export type SeamStretchInputs = z.infer<typeof SeamStretchSchema>
