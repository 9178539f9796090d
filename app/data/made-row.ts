import { z } from 'zod'
import { MadeFitSchema } from '~~/core/many'
import { Id } from '~~/core/pattern'
import { When } from '~~/core/when'

/** One garment for one wearer, as it was worked out among many. It is no fit yet: it becomes one when it is taken. */
export const MadeRowSchema = z.strictObject({
  /** Garment and wearer: there is one of each pair. */
  id: z.string().min(1).max(200),
  garmentId: Id,
  wearerId: Id,
  /** What it was worked out from, as text: where that is another now, it is worked out anew. */
  madeFor: z.string(),
  /** null where it could not be worked out. */
  made: MadeFitSchema.nullable(),
  /** Why it could not be, a sentence. */
  why: z.string(),
  madeAt: When,
  /** It was looked at, and is not to be taken. */
  isLeft: z.boolean(),
  /** The fit that was made of it, once it was taken. */
  fitId: Id.nullable(),
})
export type MadeRow = z.infer<typeof MadeRowSchema>

/** It was asked for, and was neither worked out nor given up. */
export const isWaiting = (row: MadeRow): boolean => row.made === null && row.why === ''

/** The rows that were asked for together with those that wait, or since: a batch that was cut off. None where no row waits. */
export function batchCutOff(made: readonly MadeRow[]): MadeRow[] {
  const begun = made.filter(isWaiting).map((m) => m.madeAt)
  return begun.length === 0 ? [] : made.filter((m) => m.madeAt >= begun.sort()[0]!)
}

export const madeId = (garmentId: string, wearerId: string): string => `${garmentId} ${wearerId}`
