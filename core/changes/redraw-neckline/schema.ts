import { z } from 'zod'

const Mm = z.number().finite().min(-5000).max(5000)

export const RedrawNecklineSchema = z.strictObject({
  /** How much deeper the neckline lies at centre front and centre back, mm; higher when negative. */
  frontMm: Mm,
  backMm: Mm,
  /** How far its end goes out along each shoulder, mm; in when negative. */
  widerMm: Mm,
  /** A straight band that is sewn to it becomes as much longer, or is left as it is. */
  band: z.enum(['follows', 'left']),
})

export type RedrawNecklineInputs = z.infer<typeof RedrawNecklineSchema>

/** A neckline as it is. */
export const AS_IT_IS: RedrawNecklineInputs = { frontMm: 0, backMm: 0, widerMm: 0, band: 'follows' }
