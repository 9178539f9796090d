import { z } from 'zod'
import { Id } from '../pattern'

const Mm = z.number().finite().positive().max(5000)

/** One figure, or one for each side of the body. */
export const FigureSchema = z.union([z.strictObject({ mm: Mm }), z.strictObject({ leftMm: Mm, rightMm: Mm })])

const Day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, { message: 'not a day (year-month-day)' })

/** What was measured on one day. Sets are kept: a body changes. */
export const MeasureSetSchema = z.strictObject({
  id: Id,
  takenOn: Day,
  note: z.string().max(2000),
  /** By measure id. */
  figures: z.record(Id, FigureSchema),
})

/** A measure that a person has added for this wearer. */
export const OwnMeasureSchema = z.strictObject({ id: Id, name: z.string().min(1).max(120), kind: z.enum(['round', 'length']) })

/** A person clothes are fitted to, named by role. */
export const WearerSchema = z.strictObject({
  id: Id,
  name: z.string().min(1).max(120),
  /** Oldest first. */
  sets: z.array(MeasureSetSchema).max(1000),
  ownMeasures: z.array(OwnMeasureSchema).max(100),
})

export type Figure = z.infer<typeof FigureSchema>
export type MeasureSet = z.infer<typeof MeasureSetSchema>
export type OwnMeasure = z.infer<typeof OwnMeasureSchema>
export type Wearer = z.infer<typeof WearerSchema>
