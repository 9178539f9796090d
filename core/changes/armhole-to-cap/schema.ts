import { z } from 'zod'

const More = z.number().finite().min(-500).max(500)

export const ArmholeToCapSchema = z.strictObject({
  /** The underarm goes down the side seam, or down and outward in equal parts. */
  way: z.enum(['lower', 'out']),
  /** Ease beyond what the pattern had as bought, front and back, mm. */
  frontMm: More,
  backMm: More,
})

export type ArmholeToCapInputs = z.infer<typeof ArmholeToCapSchema>
