import { z } from 'zod'
import { ChangeSchema } from '../changes'
import { GarmentSchema, Id } from '../pattern'

const When = z.string().refine((s) => !Number.isNaN(Date.parse(s)), { message: 'not a date' })

/** A person clothes are fitted to, named by role. Figures that a change may warn by; more come with measuring. */
export const WearerSchema = z.strictObject({
  id: Id,
  name: z.string().min(1).max(120),
  heelRoundMm: z.number().finite().min(100).max(800).nullable(),
})

/** One garment's work: the pieces as bought and the list of changes. Altered pieces are never stored. */
export const ProjectSchema = z.strictObject({
  id: Id,
  name: z.string().min(1).max(120),
  wearerId: Id.nullable(),
  garment: GarmentSchema,
  plan: z.array(ChangeSchema).max(500),
  createdAt: When,
  updatedAt: When,
})

export type Wearer = z.infer<typeof WearerSchema>
export type Project = z.infer<typeof ProjectSchema>

/** The version this application writes. Raise it together with a new migration. */
export const FILE_VERSION = 1

export const ProjectFileSchema = z.strictObject({
  format: z.literal('tidal-seam'),
  version: z.literal(FILE_VERSION),
  savedAt: When,
  wearers: z.array(WearerSchema).max(10000),
  projects: z.array(ProjectSchema).max(10000),
})

export type ProjectFile = z.infer<typeof ProjectFileSchema>
