import { DEMO_WEARERS } from '../../demo/wearers'
import { demoWardrobe } from '../../demo/wardrobe'
import type { Wearer } from '../../core/body'
import type { Project } from '../../core/formats'

/** The garments that cases are made of, by id: drafted once. */
export const GARMENTS: ReadonlyMap<string, Project> = new Map(
  demoWardrobe(new Date('2026-03-01')).projects.map((p) => [p.id, JSON.parse(JSON.stringify(p)) as Project]),
)
export const WEARERS: readonly Wearer[] = DEMO_WEARERS
