import { z } from 'zod'
import { JOIN_MM } from '../tolerances'
import { distance, type Path } from '../geometry'
import { CONTROL_SIGNS, LONGEST_NAME } from './name'
import { isPieceId } from './refs'

/**
 * Every id is a short stable string: later changes, notches and seams find their edge by it. Things are looked up by id,
 * so it cannot be a word that every object of the language answers to (“constructor”, “__proto__”).
 */
export const Id = z
  .string()
  .min(1)
  .max(80)
  .refine((id) => !(id in {}), { message: 'this word cannot be used as an id' })

/** Things of a piece are referred to by its id and theirs. */
const PieceId = Id.refine(isPieceId, { message: 'the id of a piece has no blank in it' })

/** A name as people read it: one line, without signs that do not print. */
export const nameOfUpTo = (longest: number) =>
  z
    .string()
    .min(1)
    .max(longest)
    .refine((name) => !CONTROL_SIGNS.test(name), { message: 'it has signs in it that do not print' })

const Name = nameOfUpTo(LONGEST_NAME)
/** How far from the origin paper may lie, mm: 20 m, more than any roll that a pattern is printed on. */
export const REACH_MM = 20_000
const Mm = z.number().finite().min(-REACH_MM).max(REACH_MM)

export const PointSchema = z.strictObject({ x: Mm, y: Mm })

/** Parts that one line may have, and things of one sort that a piece may have: a hand draws some ten. */
export const MOST_SEGMENTS = 5000
export const MOST_PARTS = 400

const LineSchema = z.strictObject({ kind: z.literal('line'), from: PointSchema, to: PointSchema })
const CubicSchema = z.strictObject({
  kind: z.literal('cubic'),
  from: PointSchema,
  c1: PointSchema,
  c2: PointSchema,
  to: PointSchema,
})
export const SegmentSchema = z.discriminatedUnion('kind', [LineSchema, CubicSchema])

export const PathSchema: z.ZodType<Path> = z
  .array(SegmentSchema)
  .min(1)
  .max(MOST_SEGMENTS)
  .refine((path) => path.every((s, i) => i === 0 || distance(s.from, path[i - 1]!.to) <= JOIN_MM), {
    message: 'each part of a line must start where the one before ends',
  })

/** What an edge is in the garment. Two edges that run through a seam when sewn carry the same role. */
export const EDGE_ROLES = [
  'neck',
  'shoulder',
  'armhole',
  'side',
  'waist',
  'hem',
  'centre-front',
  'centre-back',
  'cap',
  'underarm',
  'inseam',
  'outseam',
  'crotch',
  'leg-opening',
  'band',
  'band-end',
  'panel',
  'dart-leg',
  'pleat',
  'other',
] as const
export const EdgeRoleSchema = z.enum(EDGE_ROLES)
export type EdgeRole = z.infer<typeof EdgeRoleSchema>

export const PIECE_KINDS = ['front', 'back', 'sleeve', 'leg-front', 'leg-back', 'skirt-front', 'skirt-back', 'band', 'other'] as const
export const PieceKindSchema = z.enum(PIECE_KINDS)
export type PieceKind = z.infer<typeof PieceKindSchema>

export const EdgeSchema = z.strictObject({
  id: Id,
  name: Name,
  role: EdgeRoleSchema,
  /** Lies on the fold of the cloth: no allowance, the other half mirrors here. */
  fold: z.boolean(),
  /** Width added outside the seam line when cut, mm. */
  allowanceMm: z.number().finite().min(0).max(200),
})

/** The corner at the start of the edge of the same index. */
export const CornerSchema = z.strictObject({
  id: Id,
  name: Name,
  /** A corner in the sewn outline here is meant. */
  designed: z.boolean().optional(),
})

export const NotchSchema = z.strictObject({ id: Id, name: Name, edgeId: Id })

/** Which way the fold is pressed; decides the shape of the cap. */
export const DartSchema = z.strictObject({
  id: Id,
  name: Name,
  /** The two legs in outline order; the tip is the corner between them. */
  legs: z.tuple([Id, Id]),
  /** Onto the part of the edge before the dart, or after it (outline order). */
  pressTo: z.enum(['before', 'after']),
})

/**
 * What a line inside a piece is. A dart is a closed one, with a tip at both ends (see double-dart); a pleat runs from one
 * end of its mouth, an edge of that role, inward, across and back to the other. The cloth inside both is folded away. A centre
 * is the middle of the body on a piece that reaches beyond it: its widths are measured from there.
 */
export const INNER_LINE_ROLES = ['shorten', 'bust', 'waist', 'hip', 'thigh', 'knee', 'bicep', 'dart', 'pleat', 'centre', 'other'] as const
export type InnerLineRole = (typeof INNER_LINE_ROLES)[number]
export const FOLDED_ROLES: readonly InnerLineRole[] = ['dart', 'pleat']
export const InnerLineSchema = z.strictObject({ id: Id, name: Name, role: z.enum(INNER_LINE_ROLES) })
export const InnerPointSchema = z.strictObject({ id: Id, name: Name, role: z.enum(['apex', 'other']) })

export const NotchPlaceSchema = z.strictObject({
  /** Measured along the edge from its start or its end. */
  from: z.enum(['start', 'end']),
  distanceMm: z.number().finite().min(0).max(20000),
})

/** The lines of one piece in one size. Everything else about the piece is the same in every size. */
export const ShapeSchema = z.strictObject({
  edges: z.record(Id, PathSchema),
  notches: z.record(Id, NotchPlaceSchema),
  lines: z.record(Id, PathSchema),
  points: z.record(Id, PointSchema),
  /** The arrow along the threads, from the top of the garment down. */
  grain: z.strictObject({ from: PointSchema, to: PointSchema }).refine((g) => distance(g.from, g.to) >= 1, {
    message: 'the grainline must be at least 1 mm long',
  }),
})

export const PieceSchema = z
  .strictObject({
    id: PieceId,
    name: Name,
    kind: PieceKindSchema,
    /** How many are cut in cloth, and whether every second one is turned over. */
    cut: z.strictObject({ count: z.int().min(1).max(99), mirrored: z.boolean() }),
    edges: z.array(EdgeSchema).min(2).max(MOST_PARTS),
    corners: z.array(CornerSchema).max(MOST_PARTS),
    notches: z.array(NotchSchema).max(MOST_PARTS),
    darts: z.array(DartSchema).max(100),
    lines: z.array(InnerLineSchema).max(MOST_PARTS),
    points: z.array(InnerPointSchema).max(MOST_PARTS),
    shapes: z.record(Id, ShapeSchema),
    /** The cup that it is drafted for, where the pattern has a piece for each of several. */
    cup: nameOfUpTo(20).optional(),
  })
  .refine((p) => p.corners.length === p.edges.length, { message: 'a piece has one corner at the start of each edge' })

/** An edge as walked from the seam's start; `reversed` walks it against the outline. */
export const RunEdgeSchema = z.strictObject({ pieceId: Id, edgeId: Id, reversed: z.boolean() })

/** A mark on a piece that meets a mark on the other side of a seam. */
export const SeamMarkSchema = z.union([z.strictObject({ pieceId: Id, notchId: Id }), z.strictObject({ pieceId: Id, cornerId: Id })])

export const SeamSchema = z.strictObject({
  id: Id,
  name: Name,
  /** Both sides walked from the same end. */
  sides: z.tuple([z.array(RunEdgeSchema).min(1).max(MOST_PARTS), z.array(RunEdgeSchema).min(1).max(MOST_PARTS)]),
  /** How much longer the first side is meant to be: least and most, mm. */
  wantedEase: z.strictObject({ minMm: Mm, maxMm: Mm }),
  /** Marks that meet, first side and second side. */
  marks: z.array(z.tuple([SeamMarkSchema, SeamMarkSchema])).max(MOST_PARTS),
  /** What counts as matching, and as easing, on this seam alone, mm; without it the wardrobe's own limits hold. */
  tolerance: z.strictObject({ goodMm: z.number().finite().min(0).max(100), easeMm: z.number().finite().min(0).max(100) }).optional(),
})

export const GarmentSchema = z.strictObject({
  sizes: z
    .array(z.strictObject({ id: Id, name: Name }))
    .min(1)
    .max(100),
  baseSizeId: Id,
  pieces: z.array(PieceSchema).max(200),
  seams: z.array(SeamSchema).max(1000),
  /**
   * Pieces that the pattern has in several cups, as bought: every one of them, the one among the pieces too. Each carries
   * the id of the piece that it can take the place of, and the edges, corners and notches that seams name.
   */
  cups: z.array(PieceSchema).max(60).optional(),
})

export type Edge = z.infer<typeof EdgeSchema>
export type Corner = z.infer<typeof CornerSchema>
export type Notch = z.infer<typeof NotchSchema>
export type NotchPlace = z.infer<typeof NotchPlaceSchema>
export type Dart = z.infer<typeof DartSchema>
export type InnerLine = z.infer<typeof InnerLineSchema>
export type InnerPoint = z.infer<typeof InnerPointSchema>
export type Shape = z.infer<typeof ShapeSchema>
export type Piece = z.infer<typeof PieceSchema>
export type RunEdge = z.infer<typeof RunEdgeSchema>
export type SeamMark = z.infer<typeof SeamMarkSchema>
export type Seam = z.infer<typeof SeamSchema>
export type Garment = z.infer<typeof GarmentSchema>
