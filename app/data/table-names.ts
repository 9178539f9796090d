import type { TableName } from './db'

/**
 * The tables of things that people make, in the order in which they are restored: what a garment refers to comes first. They stand
 * apart from their schemas (tables.ts), which are large, and loaded with the first thing that is written.
 */
const ALL: Record<TableName, null> = {
  wearers: null,
  recipes: null,
  garments: null,
  fits: null,
  fittings: null,
  versions: null,
  photos: null,
  tray: null,
  made: null,
}
export const TABLE_NAMES = Object.keys(ALL) as TableName[]

/** Those, and what stands beside them: the log with its pictures, and what is kept of garments and fits to show them at once. */
export const EVERY_TABLE = [...TABLE_NAMES, 'acts', 'pictures', 'hangs', 'cards', 'settled'] as const
