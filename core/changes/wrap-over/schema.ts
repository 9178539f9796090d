import { z } from 'zod'

const Mm = z.number().finite().min(0).max(5000)

export const WrapOverSchema = z.strictObject({
  /** How far the front reaches beyond the centre, mm. */
  overlapMm: Mm,
  /** How far on the centre side of the bust point its edge passes, mm; beyond it when negative. */
  coverMm: z.number().finite().min(-500).max(5000),
  /** How far above the lower edge the crossing edge ends, mm. */
  endAboveMm: Mm,
  /** How much shorter than the edge the stay or the bias strip for it is, parts in a hundred. */
  shorterPct: z.number().finite().min(0).max(15),
  /** Usable width of the cloth that bias strips are cut from, mm. */
  clothMm: z.number().finite().min(100).max(5000),
})

export type WrapOverInputs = z.infer<typeof WrapOverSchema>
