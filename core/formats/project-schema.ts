import { z } from 'zod'
import { WearerSchema } from '../body'
import { ChangeSchema, SlashRecipeSchema } from '../changes'
import { GarmentSchema, Id } from '../pattern'
import { SizingSchema } from '../size'

const When = z.string().refine((s) => !Number.isNaN(Date.parse(s)), { message: 'not a date' })

/** One garment's work: the pieces as bought and the list of changes. Altered pieces are never stored. */
export const ProjectSchema = z.strictObject({
  id: Id,
  name: z.string().min(1).max(120),
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
export const FILE_VERSION = 3

export const ProjectFileSchema = z.strictObject({
  format: z.literal('tidal-seam'),
  version: z.literal(FILE_VERSION),
  savedAt: When,
  wearers: z.array(WearerSchema).max(10000),
  projects: z.array(ProjectSchema).max(10000),
  /** Slashes that were given a name. */
  recipes: z.array(SlashRecipeSchema).max(1000),
})

export type ProjectFile = z.infer<typeof ProjectFileSchema>
