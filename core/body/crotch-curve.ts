import { z } from 'zod'
import { Id } from '../pattern'

const Mm = z.number().finite().min(-3000).max(3000)

/** Fewest points that say a shape, and the most that a flexible curve gives. */
export const LEAST_POINTS = 5
export const MOST_POINTS = 2000

/**
 * A flexible curve that was bent along the body from the waist in front to the waist at the back and laid on paper: points in mm,
 * in that order, and which of them lies at the inseam.
 */
export const CrotchCurveSchema = z
  .strictObject({
    id: Id,
    takenOn: z.string().regex(/^\d{4}-\d{2}-\d{2}$/),
    note: z.string().max(2000),
    points: z
      .array(z.strictObject({ x: Mm, y: Mm }))
      .min(LEAST_POINTS)
      .max(MOST_POINTS),
    /** Index of the point at the inseam: neither the first nor the last. */
    inseam: z.int().min(1),
  })
  .refine((c) => c.inseam < c.points.length - 1, { message: 'the inseam point lies between the two waist ends' })

export type CrotchCurve = z.infer<typeof CrotchCurveSchema>
