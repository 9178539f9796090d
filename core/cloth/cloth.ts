import { z } from 'zod'

const Mm = (least: number, most: number) => z.number().finite().min(least).max(most)
/** Cloth loses no more than this in the wash, in hundredths. */
export const MOST_SHRUNK = 25
const Percent = z.number().finite().min(0).max(MOST_SHRUNK)

/** What pieces are cut from. */
export const USES = ['main', 'lining', 'interfacing'] as const
export type Use = (typeof USES)[number]
export const USE_NAMES: Record<Use, string> = { main: 'Main cloth', lining: 'Lining', interfacing: 'Interfacing' }

/** Narrowest and widest cloth that is sold, mm. */
export const CLOTH_MM = { least: 200, usual: 1400, most: 4000 }
/** Longest repeat of a pattern in cloth, mm. */
export const MOST_REPEAT_MM = 1000

/** A cloth as it lies on the table. */
export const ClothSchema = z.strictObject({
  /** Between the selvedges, as it is bought, mm. */
  widthMm: Mm(CLOTH_MM.least, CLOTH_MM.most),
  /** Folded along its length, right sides together: pairs are cut at once, folds lie on its fold. */
  isFolded: z.boolean(),
  /** Nap, or a print that has an up and a down: every piece lies the same way. */
  isOneWay: z.boolean(),
  /** From one stripe across the cloth to the next, mm; 0 for none. Seams meet on the same stripe at a mark (see meetings.ts). */
  repeatMm: Mm(0, MOST_REPEAT_MM),
  /** From one stripe along the cloth to the next, mm; 0 for none. Both make checks. Centres lie on a stripe. */
  repeatAcrossMm: Mm(0, MOST_REPEAT_MM).default(0),
  /** The mark at which a seam meets on the same stripe, by seam; null where it need not meet, the seam's first notch where nothing is said. */
  meets: z.record(z.string(), z.string().nullable()).default({}),
  /** Lost in the first wash, in hundredths. */
  shrinksAlong: Percent,
  shrinksAcross: Percent,
})
export type Cloth = z.infer<typeof ClothSchema>

export const usualCloth = (): Cloth => ({
  widthMm: CLOTH_MM.usual,
  isFolded: false,
  isOneWay: false,
  repeatMm: 0,
  repeatAcrossMm: 0,
  meets: {},
  shrinksAlong: 0,
  shrinksAcross: 0,
})

/** Width that is left to lay on once it was washed, mm. */
export const usableMm = (cloth: Cloth): number => cloth.widthMm * (1 - cloth.shrinksAcross / 100)

/** What has to be bought so that such a length is left after the wash, mm. */
export const boughtMm = (cloth: Cloth, lengthMm: number): number => lengthMm / (1 - cloth.shrinksAlong / 100)
