import { z } from 'zod'
import { ASIDE_KINDS, GRID_WAYS, LAYER_ROLES, READ_THINGS, READ_WAYS } from '~~/core/import'
import { KnownSchema } from '~~/core/photograph'
import { EdgeRoleSchema, Id, PathSchema, PieceKindSchema, PointSchema } from '~~/core/pattern'

const Mm = z.number().finite()

const EdgesSchema = z.array(
  z.strictObject({
    path: PathSchema,
    role: EdgeRoleSchema,
    isPlain: z.boolean().optional(),
    fold: z.boolean(),
    allowanceMm: Mm.min(0).max(200),
  }),
)
const LinesSchema = z.array(
  z.strictObject({ name: z.string(), path: PathSchema, role: z.enum(['dart', 'pleat']).optional(), isOut: z.boolean().optional() }),
)

/** What a person has settled so far about an outline on its way in (see PieceDraft), and what still stands in the way. */
const TrayPieceSchema = z.strictObject({
  taken: z.boolean(),
  /** Taken for no piece: left out unless it is taken back. */
  aside: z.enum(ASIDE_KINDS).optional(),
  trouble: z.strictObject({ code: z.enum(['open', 'crosses', 'too-fine']), at: PointSchema, gapMm: Mm.optional() }).nullable(),
  /** How it is known what it is: what was guessed may be otherwise. */
  readings: z.partialRecord(z.enum(READ_THINGS), z.enum(READ_WAYS)).optional(),
  /** The piece of which it is a second drawing, as it is or turned over. */
  twin: z.strictObject({ id: Id, turned: z.boolean() }).optional(),
  /** Edges and lines as they were drawn, where lines were taken for darts. */
  asDrawn: z.strictObject({ edges: EdgesSchema, lines: LinesSchema }).optional(),
  draft: z.strictObject({
    id: Id,
    name: z.string(),
    kind: PieceKindSchema,
    count: z.int().min(1).max(99),
    mirrored: z.boolean(),
    edges: EdgesSchema,
    allowanceIncluded: z.boolean(),
    grain: z.strictObject({ from: PointSchema, to: PointSchema }).nullable(),
    notches: z.array(PointSchema),
    lines: LinesSchema,
    points: z
      .array(z.strictObject({ name: z.string(), role: z.enum(['apex', 'other']), at: PointSchema, isOut: z.boolean().optional() }))
      .optional(),
    sizeName: z.string(),
    sizes: z.array(
      z.strictObject({ name: z.string(), path: PathSchema, notches: z.array(PointSchema).optional(), pairs: z.record(z.string(), Mm) }),
    ),
    cup: z.string().max(20).optional(),
    cupOf: Id.optional(),
  }),
})

const PointedSchema = z.array(z.strictObject({ pieceId: Id, edgeId: Id })).min(1)
export const AddedSeamSchema = z.strictObject({ id: Id, sides: z.tuple([PointedSchema, PointedSchema]), turned: z.boolean() })
export type AddedSeam = z.infer<typeof AddedSeamSchema>

const GridSchema = z.strictObject({
  places: z.array(z.strictObject({ x: Mm, y: Mm }).nullable()).max(400),
  columns: z.int().min(1).max(400),
  trim: z.strictObject({ minX: Mm, minY: Mm, maxX: Mm, maxY: Mm }).nullable(),
  how: z.enum(GRID_WAYS),
  sure: z.boolean(),
})

/** A photograph of pieces beside something known; its picture lies in the table of pictures under its id. */
const TrayPhotoSchema = z.strictObject({
  id: Id,
  name: z.string(),
  widthPx: z.int().positive(),
  heightPx: z.int().positive(),
  known: KnownSchema,
  /** Four places that were pointed at, dots; null while they are found by themselves. */
  pointed: z.tuple([PointSchema, PointSchema, PointSchema, PointSchema]).nullable(),
  /** Outlines by their number that were taken for none; null where nobody chose yet. */
  leftOut: z.array(z.int().min(0)).nullable(),
})
export type TrayPhoto = z.infer<typeof TrayPhotoSchema>

/** The import tray: pieces on their way in that cannot be used yet, kept until they can or are thrown away. */
export const TraySchema = z.strictObject({
  id: z.literal('now'),
  fileName: z.string(),
  /** What is kept of the file (see core/import/source); empty when the tray is empty. */
  text: z.string(),
  /** How the pages of a PDF lie, and whether that was looked at. */
  grid: GridSchema.optional(),
  pagesConfirmed: z.boolean().optional(),
  /** Photographs that are being read: there is no text before they are settled. */
  photos: z.array(TrayPhotoSchema).max(8).optional(),
  /** Marks that join them, by their places in each photograph, dots. */
  marks: z.array(z.array(PointSchema.nullable())).max(20).optional(),
  /** What a person said that layers of the file hold, by their names. */
  layers: z.record(z.string(), z.enum(LAYER_ROLES)).optional(),
  /** How many times larger than the file says. */
  times: Mm.positive(),
  scaleConfirmed: z.boolean(),
  pieces: z.array(TrayPieceSchema),
  garmentName: z.string(),
  wearerId: Id.nullable(),
  leftOutSeams: z.array(Id),
  /** Seams that were pointed at. */
  addedSeams: z.array(AddedSeamSchema).optional(),
})

export type Tray = z.infer<typeof TraySchema>
export type TrayPiece = Tray['pieces'][number]
