import { z } from 'zod'
import { WearerSchema } from '../body'
import { ChangeSchema, RecipeSchema } from '../changes'
import { GarmentSchema, Id, LONGEST_NAME, nameOfUpTo } from '../pattern'
import { SizingSchema } from '../size'

/** The last moment with a year of four digits: later ones are slips, and are written in another way. */
const LAST_MOMENT = Date.parse('9999-12-31')
const When = z.string().refine((s) => Date.parse(s) >= 0 && Date.parse(s) <= LAST_MOMENT, { message: 'it is not a time' })

/** One garment's work: the pieces as bought and the list of changes. Altered pieces are never stored. */
export const ProjectSchema = z.strictObject({
  id: Id,
  name: nameOfUpTo(LONGEST_NAME),
  wearerId: Id.nullable(),
  garment: GarmentSchema,
  /** How sizes are chosen for this garment, and its size chart. */
  sizing: SizingSchema,
  plan: z.array(ChangeSchema).max(500),
  createdAt: When,
  updatedAt: When,
})

export type Project = z.infer<typeof ProjectSchema>

/** The version this application writes. Raise it together with a new migration. */
export const FILE_VERSION = 4

export const ProjectFileSchema = z.strictObject({
  format: z.literal('tidal-seam'),
  version: z.literal(FILE_VERSION),
  savedAt: When,
  wearers: z.array(WearerSchema).max(10000),
  projects: z.array(ProjectSchema).max(10000),
  /** Slashes that were given a name. */
  recipes: z.array(RecipeSchema).max(1000),
})

export type ProjectFile = z.infer<typeof ProjectFileSchema>
