import { z } from 'zod'

const Reach = z.number().finite().min(5).max(2000)

export const DoubleDartSchema = z.strictObject({
  /** The dart, as “piece id, space, line id”; “piece id, space, +” for a new one. */
  dart: z.string().min(1).max(170),
  /** How much more it takes in at its widest place, mm; less when negative. */
  amountMm: z.number().finite(),
  /** From the widest place to each tip, mm. */
  upperMm: Reach,
  lowerMm: Reach,
  /** The whole dart higher, and further from the centre, mm; the other way when negative. */
  raiseMm: z.number().finite().min(-2000).max(2000),
  outMm: z.number().finite().min(-2000).max(2000),
  /** Legs ruled straight and alike from the tips to the widest place, or left as they are drawn. */
  legs: z.enum(['keep', 'ruled']),
})

export type DoubleDartInputs = z.infer<typeof DoubleDartSchema>
