import type { Patches } from 'mutative'
import type { Wearer } from '~~/core/body'
import type { Recipe } from '~~/core/changes'
import type { Fitting, Photo, Version } from '~~/core/fittings'
import type { FitRow, GarmentRow } from '~~/core/formats'
import type { MadeRow } from './made-row'
import type * as Stored from './tidal-seam-db'
import type { Tray } from './tray-row'

/** What each table of things that people make holds. */
export interface Rows {
  garments: GarmentRow
  fits: FitRow
  wearers: Wearer
  tray: Tray
  recipes: Recipe
  fittings: Fitting
  versions: Version
  photos: Photo
  made: MadeRow
}
export type TableName = keyof Rows
export type AnyRow = Rows[TableName]

/** What an act did to one row, or to whole rows of one table, with the way back. */
export type ActChange =
  | { how: 'patch'; table: TableName; id: string; patches: Patches; inverse: Patches }
  | { how: 'rows'; table: TableName; ids: string[]; before: (AnyRow | null)[]; after: (AnyRow | null)[] }

/** The picture of a photograph, under its id. It is written once, and never undone: see pictures.ts. */
export interface PictureRow {
  id: string
  type: Photo['type']
  data: Uint8Array<ArrayBuffer>
  keptAt: string
}

/** One thing that was done. */
export interface Act {
  id?: number
  /** Where it can be undone: a fit's id, “wardrobe”, or “tray”. */
  scope: string
  label: string
  at: string
  undone: 0 | 1
  /** Done and taken back together. */
  changes: ActChange[]
}

type Library = typeof Stored
let loading: Promise<Library> | null = null
/**
 * The database and its library, fetched once, while the frame of the page is drawn: nothing can be read or written before. What could not
 * be fetched is fetched again the next time.
 */
export function loadDb(): Promise<Library> {
  loading ??= import('./tidal-seam-db').then(
    (library) => {
      useDb(new library.TidalSeamDb())
      return library
    },
    (error: unknown) => {
      loading = null
      throw error
    },
  )
  return loading
}

/** Where rows are read and written now: the browser's storage, or this page alone (see storage.ts); after `loadDb`. */
// Every reader sees the new place at once: that is what a live binding is for.
// eslint-disable-next-line import/no-mutable-exports
export let db: Stored.TidalSeamDb

/** Reads and writes go there from now on. */
export function useDb(next: Stored.TidalSeamDb): void {
  db = next
}
