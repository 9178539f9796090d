import { z } from 'zod'

const More = z.number().finite().min(-500).max(500)

export const CapToArmholeSchema = z.strictObject({
  /** What gives: the height of the cap, its width at the bicep, or half by each. */
  way: z.enum(['height', 'width', 'both']),
  /** Ease beyond what the pattern had as bought, front and back, mm. */
  frontMm: More,
  backMm: More,
})

export type CapToArmholeInputs = z.infer<typeof CapToArmholeSchema>
