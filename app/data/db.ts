import Dexie, { type Table } from 'dexie'
import type { Patches } from 'mutative'
import type { Project, Wearer } from '~~/core/formats'

/** One thing that was done, with the way back. */
export interface Act {
  id?: number
  /** The garment's id for acts inside it; “wardrobe” for creating, deleting, renaming. */
  scope: string
  label: string
  at: string
  undone: 0 | 1
  change:
    | { how: 'patch'; projectId: string; patches: Patches; inverse: Patches }
    | { how: 'rows'; before: (Project | null)[]; after: (Project | null)[]; ids: string[] }
}

/** Pieces on their way in that cannot be used yet; kept until they can or are thrown away. */
export interface TrayRow {
  id: string
  savedAt: string
  /** The file's text and what was settled so far, as plain data. */
  state: unknown
}

class TidalSeamDb extends Dexie {
  declare projects: Table<Project, string>
  declare wearers: Table<Wearer, string>
  declare acts: Table<Act, number>
  declare tray: Table<TrayRow, string>

  constructor() {
    super('tidal-seam')
    this.version(1).stores({ projects: 'id, updatedAt', wearers: 'id', acts: '++id, scope, [scope+undone]', tray: 'id' })
  }
}

export const db = new TidalSeamDb()
