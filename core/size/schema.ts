import { z } from 'zod'
import { OwnZoneSchema } from '../measure'
import { Id, nameOfUpTo } from '../pattern'

const Mm = z.number().finite().min(-5000).max(5000)

/** How closely the garment is meant to sit. */
export const FITS = ['close', 'fitted', 'semi-fitted', 'loose', 'very-loose'] as const
/** What the cloth is like: stretchy, soft and falling, in between, or standing off by itself. */
export const FABRICS = ['stretch', 'drapey', 'medium', 'crisp'] as const
/** By finished measure, by high bust, or by full bust from the printed chart (craft 4). */
export const SCHOOLS = ['finished', 'high-bust', 'full-bust'] as const

/** Figures by size id, then by zone id, mm. */
const FiguresSchema = z.record(Id, z.record(Id, Mm.positive()))

/** Where a zone is measured on one piece, when a person has moved its band: mm further along the grain. */
const ShiftsSchema = z.record(Id, z.record(Id, Mm))

/** How sizes are chosen for a garment, and what is printed about its sizes. */
export const SizingSchema = z.strictObject({
  /** The body that each size is made for, as printed. */
  bodyChart: FiguresSchema,
  /** Finished measures as printed; compared with the measured ones. */
  printed: FiguresSchema,
  /** null: by finished measure where there are sizes to measure. */
  school: z.enum(SCHOOLS).nullable(),
  fit: z.enum(FITS),
  fabric: z.enum(FABRICS),
  /** Wanted ease by zone where a person has set it, mm. */
  wantedMm: z.record(Id, Mm),
  /** Size by zone where a person has set it. */
  chosen: z.record(Id, Id),
  /** By zone id, then piece id. */
  shiftsMm: ShiftsSchema,
  /** Cup variants of the pattern: full bust minus high bust up to which each is made, smallest first. */
  cups: z.array(z.strictObject({ name: nameOfUpTo(20), upToMm: Mm.positive() })).max(40),
  ownZones: z.array(OwnZoneSchema).max(40),
  /** Pieces that are traced already. */
  traced: z.array(Id).max(1000),
})

export type Fit = (typeof FITS)[number]
export type Fabric = (typeof FABRICS)[number]
export type School = (typeof SCHOOLS)[number]
export type Sizing = z.infer<typeof SizingSchema>

/** A garment about which nothing is settled yet. */
export const NO_SIZING: Sizing = {
  bodyChart: {},
  printed: {},
  school: null,
  fit: 'fitted',
  fabric: 'medium',
  wantedMm: {},
  chosen: {},
  shiftsMm: {},
  cups: [],
  ownZones: [],
  traced: [],
}
