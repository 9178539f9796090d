import type { ZodObject, ZodType } from 'zod'
import { WearerSchema } from '~~/core/body'
import { RecipeSchema } from '~~/core/changes'
import { FittingSchema, PhotoSchema, VersionSchema } from '~~/core/fittings'
import { FitRowSchema, GarmentRowSchema, type Contents } from '~~/core/formats'
import type { Rows, TableName } from './db'
import { MadeRowSchema } from './made-row'
import { TraySchema } from './tray-row'

interface TableOf<T extends TableName> {
  /** What it lets in: every row that is written is read by it first. */
  schema: ZodObject & ZodType<Rows[T]>
  /** What one row of it is to a sewist. */
  word: string
  /** The list of a project file that its rows go out and come in by; null for what only this browser needs. */
  inFile: keyof Contents | null
}

/**
 * The tables of things that people make. An entry here gives a table its schema, its undo (app/data/acts.ts), its place in
 * storage that does not serve (app/data/storage.ts) and in backups; its rows' type stands in `Rows`, its migrations in db.ts.
 * Their names alone, in the order in which they are restored, stand in table-names.ts.
 */
export const TABLES: { [T in TableName]: TableOf<T> } = {
  wearers: { schema: WearerSchema, word: 'wearer', inFile: 'wearers' },
  recipes: { schema: RecipeSchema, word: 'change with a name', inFile: 'recipes' },
  garments: { schema: GarmentRowSchema, word: 'garment', inFile: 'garments' },
  fits: { schema: FitRowSchema, word: 'fit', inFile: 'fits' },
  fittings: { schema: FittingSchema, word: 'fitting', inFile: 'fittings' },
  versions: { schema: VersionSchema, word: 'version', inFile: 'versions' },
  photos: { schema: PhotoSchema, word: 'photograph', inFile: 'photos' },
  tray: { schema: TraySchema, word: 'tray', inFile: null },
  made: { schema: MadeRowSchema, word: 'fit that was worked out', inFile: null },
}
