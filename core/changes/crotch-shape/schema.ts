import { z } from 'zod'
import { MOST_POINTS } from '../../body'
import { Id } from '../../pattern'

const Mm = z.number().finite().min(-3000).max(3000)
const Share = z.number().finite().min(0).max(1)

export const CrotchShapeSchema = z.strictObject({
  /** Readings of the body’s curve, kept with the change: from the front waist to the back waist, and which point lies at the inseam. */
  readings: z
    .array(
      z
        .strictObject({
          id: Id,
          name: z.string().max(200),
          points: z
            .array(z.strictObject({ x: Mm, y: Mm }))
            .min(3)
            .max(MOST_POINTS),
          inseam: z.int().min(1),
        })
        .refine((r) => r.inseam < r.points.length - 1, { message: 'the inseam point lies between the two waist ends' }),
    )
    .min(1)
    .max(20),
  /** How much of the body’s depth is scooped out of each leg: 0 to 1. */
  frontShare: Share,
  backShare: Share,
  /** Width given back at each outseam, mm. */
  giveBackMm: z.number().finite().min(0).max(200),
})

export type CrotchShapeInputs = z.infer<typeof CrotchShapeSchema>
