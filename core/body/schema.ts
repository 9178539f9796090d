import { z } from 'zod'
import { Id, LONGEST_NAME, nameOfUpTo } from '../pattern'
import { CrotchCurveSchema } from './crotch-curve'

/** The longest figure of a body, mm: beyond it something else was typed. */
export const LONGEST_FIGURE_MM = 5000
/** The shortest, mm: what is less cannot be written with a ruler's marks. */
export const LEAST_FIGURE_MM = 1
const Mm = z.number().finite().min(LEAST_FIGURE_MM).max(LONGEST_FIGURE_MM)

/** One figure, or one for each side of the body. */
export const FigureSchema = z.union([z.strictObject({ mm: Mm }), z.strictObject({ leftMm: Mm, rightMm: Mm })])

/** Is it a day of the calendar, written as year-month-day? “2026-02-30” is none. */
export function isDay(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false
  const at = new Date(`${text}T00:00:00Z`)
  return !Number.isNaN(at.getTime()) && at.toISOString().slice(0, 10) === text && text >= FIRST_DAY
}

/** Nobody measured earlier than this is fitted today: an earlier day is a slip. */
const FIRST_DAY = '1900-01-01'

export const Day = z.string().refine(isDay, { message: 'it is not a day of the calendar (year-month-day)' })

/** What was measured on one day. Sets are kept: a body changes. */
export const MeasureSetSchema = z.strictObject({
  id: Id,
  takenOn: Day,
  note: z.string().max(2000),
  /** By measure id. */
  figures: z.record(Id, FigureSchema),
})

/** A measure that a person has added for this wearer. */
export const OwnMeasureSchema = z.strictObject({ id: Id, name: nameOfUpTo(LONGEST_NAME), kind: z.enum(['round', 'length']) })

/** A person clothes are fitted to, named by role. */
export const WearerSchema = z.strictObject({
  id: Id,
  name: nameOfUpTo(LONGEST_NAME),
  /** Oldest first. */
  sets: z.array(MeasureSetSchema).max(1000),
  ownMeasures: z.array(OwnMeasureSchema).max(100),
  /** Readings of the crotch by a flexible curve, oldest first. */
  crotchCurves: z.array(CrotchCurveSchema).max(200).optional(),
})

export type Figure = z.infer<typeof FigureSchema>
export type MeasureSet = z.infer<typeof MeasureSetSchema>
export type OwnMeasure = z.infer<typeof OwnMeasureSchema>
export type Wearer = z.infer<typeof WearerSchema>
