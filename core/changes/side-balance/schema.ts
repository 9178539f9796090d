import { z } from 'zod'

const Amount = z.number().finite().min(-300).max(300)

/** How far each side seam moves toward the back at its bust, waist and hip, mm: the front gains that, the back loses it; negative the other way. */
export const SideBalanceSchema = z.strictObject({ bustMm: Amount, waistMm: Amount, hipMm: Amount })

export type SideBalanceInputs = z.infer<typeof SideBalanceSchema>
