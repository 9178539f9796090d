import Dexie from 'dexie'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { undoAct } from './acts'
import { db } from './db'
import { EMPTY_TRAY } from './empty-tray'
import { TraySchema } from './tray-row'

const draft = {
  id: 'front-1',
  name: 'Front',
  kind: 'front',
  count: 1,
  mirrored: false,
  edges: [],
  allowanceIncluded: true,
  grain: null,
  notches: [],
  lines: [],
  sizeName: '',
  sizes: [],
}
const piece = { taken: true, trouble: null, doubts: ['no name is written on it', 'it is drawn twice: “Back” is the same'], draft }
const tray = { ...EMPTY_TRAY, text: '<svg/>', scaleConfirmed: true, pieces: [piece] }

/** A browser in which version 9 was used, with a tray that is half done. */
beforeAll(async () => {
  const old = new Dexie('tidal-seam')
  old.version(9).stores({ acts: '++id, scope, [scope+undone]', tray: 'id' })
  await old.table('tray').add(tray)
  const patch = (path: (string | number)[], value: unknown) => ({ op: 'replace', path, value })
  await old.table('acts').add({
    scope: 'tray',
    label: 'name',
    at: '2026-05-01T10:00:00.000Z',
    undone: 0,
    changes: [
      {
        how: 'patch',
        table: 'tray',
        id: 'now',
        patches: [patch(['pieces', 0, 'draft', 'name'], 'Front'), patch(['pieces', 0, 'doubts'], piece.doubts)],
        inverse: [patch(['pieces', 0, 'draft', 'name'], 'Piece 1'), patch(['pieces', 0, 'doubts'], [])],
      },
    ],
  })
  old.close()
  await db.open()
})
afterAll(() => db.delete())

it('a tray of before can be worked on, and what was done in it can be undone', async () => {
  expect(TraySchema.safeParse(await db.tray.get('now')).success).toBe(true)
  expect(await undoAct('tray')).toBe('name')
  const after = await db.tray.get('now')
  expect(after!.pieces[0]!.draft.name).toBe('Piece 1')
  expect(TraySchema.safeParse(after).success).toBe(true)
})
