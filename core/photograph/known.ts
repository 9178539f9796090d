import { z } from 'zod'
import type { Point } from '../geometry'
import type { Sides } from './find-sheet'

/** Sheets and cards of known size that lie beside a piece, mm. */
export const SHEETS = {
  a4: { name: 'A sheet of A4', longMm: 297, shortMm: 210 },
  letter: { name: 'A sheet of Letter', longMm: 279.4, shortMm: 215.9 },
  a3: { name: 'A sheet of A3', longMm: 420, shortMm: 297 },
  a5: { name: 'A sheet of A5', longMm: 210, shortMm: 148 },
  card: { name: 'A card, 85.6 by 54 mm', longMm: 85.6, shortMm: 53.98 },
} as const satisfies Record<string, Sides & { name: string }>
export type SheetName = keyof typeof SHEETS

/** What lies on a floor beside a piece is between these long, mm. */
export const KNOWN_LIMITS = { least: 1, most: 5000 }
const Length = z.number().min(KNOWN_LIMITS.least).max(KNOWN_LIMITS.most)

/** What is known in a photograph. */
export const KnownSchema = z.discriminatedUnion('kind', [
  /** A sheet or card by name. */
  z.strictObject({ kind: z.literal('sheet'), sheet: z.enum(Object.keys(SHEETS) as [SheetName, ...SheetName[]]) }),
  /** Another rectangle: its two sides. */
  z.strictObject({ kind: z.literal('rectangle'), longMm: Length, shortMm: Length }),
  /** Lines of a mat at an even pitch; the corners are those of a rectangle of lines, so many apart. */
  z.strictObject({ kind: z.literal('mat'), acrossMm: Length, downMm: Length, pitchMm: Length }),
  /** Two rulers that make a right angle, both zeros in it; half and all of each are pointed at. */
  z.strictObject({ kind: z.literal('rulers'), acrossMm: Length, downMm: Length }),
])
export type Known = z.infer<typeof KnownSchema>

/** The sides of what can be found by itself; null for what has to be pointed at. */
export function sidesOf(known: Known): Sides | null {
  if (known.kind === 'sheet') return SHEETS[known.sheet]
  if (known.kind !== 'rectangle') return null
  return { longMm: Math.max(known.longMm, known.shortMm), shortMm: Math.min(known.longMm, known.shortMm) }
}

/** Where the four places lie that are pointed at, in order, mm; null for a sheet, whose corners say which way it lies. */
export function placesOf(known: Known): Point[] | null {
  if (known.kind === 'mat')
    return [
      { x: 0, y: 0 },
      { x: known.acrossMm, y: 0 },
      { x: known.acrossMm, y: known.downMm },
      { x: 0, y: known.downMm },
    ]
  if (known.kind === 'rulers')
    return [
      { x: known.acrossMm / 2, y: 0 },
      { x: known.acrossMm, y: 0 },
      { x: 0, y: known.downMm },
      { x: 0, y: known.downMm / 2 },
    ]
  return null
}

/** Two proportions are the same within this part. */
const SAME_PROPORTION = 0.03

/** The sheet that has a proportion, of those that are met most; null where none has. */
export function sheetLike(proportion: number): SheetName | null {
  const near = (['a4', 'letter', 'card'] as const).find((name) => {
    const { longMm, shortMm } = SHEETS[name]
    return Math.abs(Math.log(longMm / shortMm / proportion)) < SAME_PROPORTION
  })
  return near ?? null
}
