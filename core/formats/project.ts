import type { Wearer } from '../body'
import type { Change, Recipe } from '../changes'
import type { Garment } from '../pattern'
import type { Sizing } from '../size/schema'
import { chartsOf, choicesOf, NO_CHOICES } from '../size/sizing'
import type { FitRow, GarmentRow, ProjectFile } from './project-schema'

/** One fit with its garment, as it is worked on. It is put together from the two rows, and never stored. */
export interface Project {
  /** The fit's id. */
  id: string
  garmentId: string
  /** The garment's name. */
  name: string
  fitName: string
  wearerId: string | null
  garment: Garment
  sizing: Sizing
  /** Stops for everybody, before those of this fit. */
  mends: Change[]
  plan: Change[]
  notes: string
  createdAt: string
  updatedAt: string
  /** When the garment itself came, when it was last worked on, and its labels. */
  bought: Pick<GarmentRow, 'createdAt' | 'updatedAt' | 'labels'>
}

/** All stops of a fit in their order: those for everybody, then its own. */
export const stopsOf = ({ mends, plan }: Pick<Project, 'mends' | 'plan'>): Change[] => [...mends.map(asMend), ...plan]

/** What mends a draft for everybody is no longer set by the figures of the one body that asked for it. */
const asMend = (stop: Change): Change => (stop.from === 'body' ? { ...stop, from: undefined } : stop)

export const joinProject = (row: GarmentRow, fit: FitRow): Project => ({
  id: fit.id,
  garmentId: row.id,
  name: row.name,
  fitName: fit.name,
  wearerId: fit.wearerId,
  garment: row.garment,
  sizing: { ...row.charts, ...fit.choices },
  mends: row.mends,
  plan: fit.plan,
  notes: fit.notes,
  createdAt: fit.createdAt,
  updatedAt: fit.updatedAt,
  bought: { createdAt: row.createdAt, updatedAt: row.updatedAt, ...(row.labels && { labels: row.labels }) },
})

export function splitProject(project: Project): { row: GarmentRow; fit: FitRow } {
  const { id, garmentId, name, fitName, wearerId, garment, sizing, mends, plan, notes, createdAt, updatedAt, bought } = project
  return {
    row: { id: garmentId, name, garment, charts: chartsOf(sizing), mends, ...bought },
    fit: { id, garmentId, name: fitName, wearerId, choices: choicesOf(sizing), plan, notes, createdAt, updatedAt },
  }
}

/** A fit in which nothing is done yet. */
export const emptyFit = (id: string, garmentId: string, wearerId: string | null, now: string): FitRow => ({
  id,
  garmentId,
  name: '',
  wearerId,
  choices: NO_CHOICES,
  plan: [],
  notes: '',
  createdAt: now,
  updatedAt: now,
})

/** What a project file holds. */
export type Contents = Omit<ProjectFile, 'format' | 'version' | 'savedAt'>

/** The rows of some fits; a garment with several of them once. @param log what was kept of their fittings */
export function contentsOf(
  projects: readonly Project[],
  wearers: readonly Wearer[] = [],
  recipes: readonly Recipe[] = [],
  log: Pick<Contents, 'fittings' | 'versions' | 'photos'> = { fittings: [], versions: [], photos: [] },
): Contents {
  const parts = projects.map(splitProject)
  const garments = new Map<string, GarmentRow>()
  for (const { row } of parts) if (!garments.has(row.id)) garments.set(row.id, row)
  return { garments: [...garments.values()], fits: parts.map(({ fit }) => fit), wearers: [...wearers], recipes: [...recipes], ...log }
}

/** Every fit with its garment, in the order of the garments; a garment without any gives an empty one, under its own id. */
export function projectsOf({ garments, fits }: Pick<Contents, 'garments' | 'fits'>): Project[] {
  return garments.flatMap((row) => {
    const own = fits.filter((f) => f.garmentId === row.id)
    return (own.length > 0 ? own : [emptyFit(row.id, row.id, null, row.createdAt)]).map((fit) => joinProject(row, fit))
  })
}
