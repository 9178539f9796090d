import { z } from 'zod'
import { WearerSchema } from '../body'
import { ChangeSchema, RecipeSchema } from '../changes'
import { GarmentSchema, Id, LONGEST_NAME, nameOfUpTo } from '../pattern'
import { FittingSchema, PhotoSchema, VersionSchema } from '../fittings'
import { ChartsSchema, ChoicesSchema } from '../size'
import { When } from '../when'
import { FILE_VERSION } from './file-version'
import { LONGEST_LABEL, MOST_LABELS } from './labels'

/** Signs that the notes on a fit may have. */
export const LONGEST_NOTES = 5000

const Stops = z.array(ChangeSchema).max(500)

/** A pattern as bought, and what is known of it for everybody who wears it. Altered pieces are never stored. */
export const GarmentRowSchema = z.strictObject({
  id: Id,
  name: nameOfUpTo(LONGEST_NAME),
  garment: GarmentSchema,
  charts: ChartsSchema,
  /** Stops that mend the draft itself: every fit begins with them. */
  mends: Stops,
  /** Words under which it is found: a play, a season, a customer. */
  labels: z.array(nameOfUpTo(LONGEST_LABEL)).max(MOST_LABELS).optional(),
  createdAt: When,
  updatedAt: When,
})
export type GarmentRow = z.infer<typeof GarmentRowSchema>

/** One wearer's work on a garment. */
export const FitRowSchema = z.strictObject({
  id: Id,
  garmentId: Id,
  /** What tells it from another fit of the same wearer; often nothing. */
  name: z.union([z.literal(''), nameOfUpTo(LONGEST_NAME)]),
  wearerId: Id.nullable(),
  choices: ChoicesSchema,
  plan: Stops,
  notes: z.string().max(LONGEST_NOTES),
  createdAt: When,
  updatedAt: When,
})
export type FitRow = z.infer<typeof FitRowSchema>

export const ProjectFileSchema = z.strictObject({
  format: z.literal('tidal-seam'),
  version: z.literal(FILE_VERSION),
  savedAt: When,
  wearers: z.array(WearerSchema).max(10000),
  garments: z.array(GarmentRowSchema).max(10000),
  fits: z.array(FitRowSchema).max(50000),
  /** Slashes that were given a name. */
  recipes: z.array(RecipeSchema).max(1000),
  fittings: z.array(FittingSchema).max(50000),
  versions: z.array(VersionSchema).max(100000),
  /** Their pictures go beside the file, in a backup (backup.ts). */
  photos: z.array(PhotoSchema).max(100000),
})

export type ProjectFile = z.infer<typeof ProjectFileSchema>
