import { z } from 'zod'

const Amount = z.number().finite().min(-1000).max(1000)

/** How much each side edge goes out (in, when negative) at its bust, waist and hip, mm. */
export const AddAtEdgeSchema = z.strictObject({ bustMm: Amount, waistMm: Amount, hipMm: Amount })

export type AddAtEdgeInputs = z.infer<typeof AddAtEdgeSchema>
