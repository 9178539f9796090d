import { z } from 'zod'

const Amount = z.number().finite().min(-3000).max(3000)

/** Longer when positive, at each place of the hem, mm along the grain. Both side seams take the same. */
export const UnevenHemSchema = z.strictObject({ centreFrontMm: Amount, sideMm: Amount, centreBackMm: Amount })

export type UnevenHemInputs = z.infer<typeof UnevenHemSchema>
