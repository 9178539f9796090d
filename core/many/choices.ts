import { z } from 'zod'
import { ClothSchema } from '../cloth'
import { MOST_MARGIN_MM, PAPER_IDS, ROLL_MM } from '../paper'

/** What all fits of a batch are printed on and cut from. */
export const ManyChoicesSchema = z.strictObject({
  paper: z.enum(PAPER_IDS),
  rollMm: z.number().min(ROLL_MM.least).max(ROLL_MM.most),
  marginMm: z.number().min(0).max(MOST_MARGIN_MM),
  /** null where nobody asks how much cloth is needed: it is what takes longest. */
  cloth: ClothSchema.nullable(),
})
export type ManyChoices = z.infer<typeof ManyChoicesSchema>
