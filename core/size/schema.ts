import { z } from 'zod'
import { OwnZoneSchema } from '../measure'
import { Id, nameOfUpTo } from '../pattern'

const Mm = z.number().finite().min(-5000).max(5000)

/** As the pattern's maker meant it, or a share closer or looser; without a chart as fitted. */
export const BY_DESIGN = ['as-designed', 'closer', 'looser'] as const
/** How closely the garment is meant to sit. */
export const FITS = [...BY_DESIGN, 'close', 'fitted', 'semi-fitted', 'loose', 'very-loose'] as const
/** What the cloth is like: stretchy, soft and falling, in between, or standing off by itself. */
export const FABRICS = ['stretch', 'drapey', 'medium', 'crisp'] as const
/** By finished measure, by high bust, or by full bust from the printed chart (craft 4). */
export const SCHOOLS = ['finished', 'high-bust', 'full-bust'] as const

/** Figures by size id, then by zone id, mm. */
const FiguresSchema = z.record(Id, z.record(Id, Mm.positive()))

/** Where a zone is measured on one piece, when a person has moved its band: mm further along the grain. */
const ShiftsSchema = z.record(Id, z.record(Id, Mm))

/** What a pattern says about its sizes, and where it is measured: the same for everybody who wears it. */
export const ChartsSchema = z.strictObject({
  /** The body that each size is made for, as printed. */
  bodyChart: FiguresSchema,
  /** Finished measures as printed; compared with the measured ones. */
  printed: FiguresSchema,
  /** By zone id, then piece id. */
  shiftsMm: ShiftsSchema,
  /** Cup variants of the pattern: full bust minus high bust up to which each is made, smallest first. */
  cups: z.array(z.strictObject({ name: nameOfUpTo(20), upToMm: Mm.positive() })).max(40),
  ownZones: z.array(OwnZoneSchema).max(40),
})

/** How one wearer's sizes are chosen, and how far the tracing has come. */
export const ChoicesSchema = z.strictObject({
  /** null: by finished measure where there are sizes to measure. */
  school: z.enum(SCHOOLS).nullable(),
  fit: z.enum(FITS),
  fabric: z.enum(FABRICS),
  /** Wanted ease by zone where a person has set it, mm. */
  wantedMm: z.record(Id, Mm),
  /** Size by zone where a person has set it. */
  chosen: z.record(Id, Id),
  /** Pieces that are traced already. */
  traced: z.array(Id).max(1000),
  /** What was looked at when the pieces were held against the body, by the id of its row. */
  looked: z.array(Id).max(200).optional(),
})

/** Charts and choices together: what a worksheet is made with. */
export const SizingSchema = z.strictObject({ ...ChartsSchema.shape, ...ChoicesSchema.shape })

export type Fit = (typeof FITS)[number]
export type Fabric = (typeof FABRICS)[number]
export type School = (typeof SCHOOLS)[number]
export type Charts = z.infer<typeof ChartsSchema>
export type Choices = z.infer<typeof ChoicesSchema>
export type Sizing = Charts & Choices
