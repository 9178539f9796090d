import { readFileSync } from 'node:fs'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { measureLength } from '~~/core/geometry'
import { checkGarment, shapeOf } from '~~/core/pattern'
import { db } from '~/data/db'
import { EMPTY_TRAY } from '~/data/empty-tray'
import { TraySchema } from '~/data/tray-row'
import { RULES, rulePanel, ruleTable } from '../../tests/corpus/rule-panel'
import { useTray } from './tray'

const waistcoat = readFileSync('demo/outside/pedlars-waistcoat.svg', 'utf8')
const bytesOf = (text: string) => new TextEncoder().encode(text)

/** The store follows the database a moment later. */
const settled = (check: () => void) => vi.waitFor(check, { timeout: 2000 })

async function taken() {
  const tray = useTray()
  await settled(() => expect(tray.ready).toBe(true))
  expect(await tray.takeFile('pedlars-waistcoat.svg', bytesOf(waistcoat))).toBeNull()
  await settled(() => expect(tray.drawing).not.toBeNull())
  await tray.confirmScale(1)
  await settled(() => expect(tray.state.pieces).toHaveLength(3))
  return tray
}
const chosen = (tray: ReturnType<typeof useTray>, index: number) => tray.state.pieces[index]!.draft

beforeEach(async () => {
  await Promise.all([db.tray.clear(), db.acts.clear(), db.garments.clear(), db.fits.clear()])
  setActivePinia(createPinia())
})

/** With every edge named, or said to have no name. */
async function named() {
  const tray = await taken()
  for (const p of tray.state.pieces) await tray.restIsPlain(p.draft.id)
  await settled(() => expect(tray.readyCount).toBe(2))
  return tray
}

describe('the import tray', () => {
  it('takes a file, a name from it, and a first guess at everything, all of it in the database', async () => {
    const tray = await taken()
    expect(tray.state.garmentName).toBe('pedlars waistcoat')
    // An edge without a name is asked about: it gets one, or is said to have none.
    await settled(() => expect(tray.readyCount).toBe(1))
    const unnamed = tray.state.pieces.find((p) => /no name yet/.test(tray.waiting(p) ?? ''))!
    expect(tray.waiting(unnamed)).toBe('2 edges have no name yet')
    await tray.restIsPlain(unnamed.draft.id)
    await settled(() => expect(tray.readyCount).toBe(2))
    expect(TraySchema.safeParse(await db.tray.get('now')).success).toBe(true)
  })

  it('reads layers as they are said, now and in the next file that has one of that name, until it is said otherwise', async () => {
    const file = (ticks: string) =>
      bytesOf(
        `<svg xmlns="http://www.w3.org/2000/svg" width="400mm" height="400mm" viewBox="0 0 400 400"><g id="Ticks"><path d="${ticks}" fill="none" stroke="#000"/></g>
        <g id="Outlines"><path d="M100 20H300V380H100Z" fill="none" stroke="#000"/></g><text x="130" y="200" font-size="9">Back panel</text></svg>`,
      )
    const tray = useTray()
    await settled(() => expect(tray.ready).toBe(true))
    const notches = async (fileName: string) => {
      await settled(() => expect(tray.state).toMatchObject({ fileName, scaleConfirmed: false }))
      await tray.confirmScale(1)
      await settled(() => expect(tray.state.pieces).toHaveLength(1))
      return chosen(tray, 0).notches.length
    }
    await tray.takeFile('first.svg', file('M300 200H292'))
    expect(await notches('first.svg')).toBe(1)
    await tray.takeFile('second.svg', file('M300 210H292'))
    await tray.sayLayer('Ticks', 'nothing')
    await settled(() => expect(tray.state.layers).toEqual({ Ticks: 'nothing' }))
    expect(await notches('second.svg')).toBe(0)
    await tray.takeFile('third.svg', file('M300 220H292'))
    expect(await notches('third.svg')).toBe(0)
    expect(tray.state.layers).toEqual({ Ticks: 'nothing' })
    expect(TraySchema.safeParse(await db.tray.get('now')).success).toBe(true)
    await tray.sayLayer('Ticks', null)
    await tray.takeFile('fourth.svg', file('M300 230H292'))
    expect(await notches('fourth.svg')).toBe(1)
  })

  it('draws a DXF in all sizes of its rule table; a table of another file leaves it as it is, and the act can be undone', async () => {
    const tray = useTray()
    await settled(() => expect(tray.ready).toBe(true))
    await tray.takeFile('panel.dxf', bytesOf(rulePanel()))
    await settled(() => expect(tray.drawing).not.toBeNull())
    const drawn = tray.drawing!.shapes.length
    expect((await tray.takeRules('other.rul', bytesOf('not a table')))?.message).toContain('no line “SIZE LIST:”')
    expect(tray.drawing!.shapes).toHaveLength(drawn)
    expect(await tray.takeRules('panel.rul', bytesOf(ruleTable(RULES)))).toBeNull()
    expect(tray.drawing!.shapes).toHaveLength(3 * drawn)
    await settled(() => expect(tray.state.text).toContain('SIZE LIST'))
    await tray.confirmScale(1)
    await settled(() => expect(tray.state.pieces).toHaveLength(1))
    expect([chosen(tray, 0).sizeName, ...chosen(tray, 0).sizes.map((s) => s.name)].sort()).toEqual(['38', '40', '42'])
    await tray.undo()
    await tray.undo()
    await settled(() => expect(tray.drawing!.shapes).toHaveLength(drawn))
  })

  it('takes a piece that is drawn twice for one that is cut turned over, too', async () => {
    const half = (x: number, flip: 1 | -1) =>
      `<path d="M${x} 20h${150 * flip}l${40 * flip} 300H${x}Z" fill="none" stroke="#000"/><text x="${x + 30 * flip}" y="200" font-size="8">Panel</text>`
    const tray = useTray()
    await settled(() => expect(tray.ready).toBe(true))
    await tray.takeFile(
      'halves.svg',
      bytesOf(
        `<svg xmlns="http://www.w3.org/2000/svg" width="600mm" height="400mm" viewBox="0 0 600 400">${half(20, 1)}${half(560, -1)}</svg>`,
      ),
    )
    await settled(() => expect(tray.drawing).not.toBeNull())
    await tray.confirmScale(1)
    await settled(() => expect(tray.state.pieces).toHaveLength(2))
    expect(tray.state.pieces[1]!.twin).toEqual({ id: chosen(tray, 0).id, turned: true })
    await tray.takeAsOne(chosen(tray, 1).id)
    await settled(() => expect(tray.state.pieces[1]!.taken).toBe(false))
    expect(chosen(tray, 0)).toMatchObject({ count: 2, mirrored: true })
    expect(tray.state.pieces[1]!.twin).toBeUndefined()
    expect(TraySchema.safeParse(await db.tray.get('now')).success).toBe(true)
  })

  it('takes half of a piece that is drawn whole; without the darts that were found in it, it is half still', async () => {
    const tray = useTray()
    await settled(() => expect(tray.ready).toBe(true))
    // A skirt's back with a dart drawn on each side of its middle.
    await tray.takeFile(
      'whole.svg',
      bytesOf(`<svg xmlns="http://www.w3.org/2000/svg" width="600mm" height="800mm" viewBox="0 0 600 800"><g fill="none" stroke="#000">
        <path d="M100 50H500L540 700H60Z"/><path d="M300 200V500" id="grain"/>
        <path d="M190 50L202 170L214 50"/><path d="M386 50L398 170L410 50"/></g>
        <text x="260" y="400" font-size="20">Skirt back</text></svg>`),
    )
    await settled(() => expect(tray.drawing).not.toBeNull())
    await tray.confirmScale(1)
    await settled(() => expect(tray.state.pieces).toHaveLength(1))
    const { id } = chosen(tray, 0)
    const wide = () => {
      const xs = chosen(tray, 0).edges.flatMap((e) => e.path.map((s) => s.from.x))
      return Math.max(...xs) - Math.min(...xs)
    }
    const legs = () => chosen(tray, 0).edges.filter((e) => e.role === 'dart-leg').length
    expect([wide(), legs()]).toEqual([480, 4])
    await tray.takeHalf(id)
    await settled(() => expect(legs()).toBe(2))
    expect(wide()).toBeCloseTo(240, 6)
    expect(chosen(tray, 0).edges.filter((e) => e.fold)).toHaveLength(1)
    await tray.leaveDarts(id)
    await settled(() => expect(legs()).toBe(0))
    expect(wide()).toBeCloseTo(240, 6)
    expect(chosen(tray, 0).edges.filter((e) => e.fold)).toHaveLength(1)
    expect(TraySchema.safeParse(await db.tray.get('now')).success).toBe(true)
  })

  it('takes a line within a piece out of it and back in, and holds for sure what a person said', async () => {
    const tray = useTray()
    await settled(() => expect(tray.ready).toBe(true))
    await tray.takeFile(
      'pocket.svg',
      bytesOf(`<svg xmlns="http://www.w3.org/2000/svg" width="400mm" height="400mm" viewBox="0 0 400 400">
        <g fill="none" stroke="#000"><path d="M20 20h250v320H20Z"/><path d="M60 60V300" id="grain"/><path d="M90 150h120" id="pocket"/></g></svg>`),
    )
    await settled(() => expect(tray.drawing).not.toBeNull())
    await tray.confirmScale(1)
    await settled(() => expect(tray.state.pieces).toHaveLength(1))
    const { id } = chosen(tray, 0)
    expect(tray.state.pieces[0]!.readings).toEqual({ name: 'guessed', count: 'guessed', grain: 'drawn', allowance: 'guessed' })
    await tray.editDraft(id, 'name', { name: 'Pocket' })
    await tray.editDraft(id, 'mirrored', { mirrored: true })
    await tray.sayRight(id, 'allowance')
    await settled(() =>
      expect(tray.state.pieces[0]!.readings).toEqual({ name: 'yours', count: 'yours', grain: 'drawn', allowance: 'yours' }),
    )
    chosen(tray, 0).edges.forEach((_, i) => void tray.editEdge(id, i, 'plain', { isPlain: true }))
    const linesBuilt = () => tray.whole.pieces[0]?.lines.map((l) => l.name)
    await settled(() => expect(linesBuilt()).toEqual(['pocket']))
    await tray.flipWithin(id, 'lines', 0)
    await settled(() => expect(linesBuilt()).toEqual([]))
    await tray.flipWithin(id, 'lines', 0)
    await settled(() => expect(linesBuilt()).toEqual(['pocket']))
    await tray.flipTaken(id)
    await settled(() => expect(tray.readyCount).toBe(0))
    expect(TraySchema.safeParse(await db.tray.get('now')).success).toBe(true)
  })

  it('gives all pieces the allowances of one: by the names of edges, else as most are; folds keep theirs', async () => {
    const tray = await taken()
    const [first, second] = [chosen(tray, 0), chosen(tray, 1)]
    await tray.editDraft(first.id, 'not within', { allowanceIncluded: false })
    const hem = first.edges.findIndex((e) => e.role === 'hem')
    const widths = first.edges.map((e, i) => ({ ...e, allowanceMm: i === hem ? 30 : 12 }))
    await tray.editDraft(first.id, 'widths', { edges: widths })
    await settled(() => expect(chosen(tray, 0).edges.some((e) => e.allowanceMm === 12)).toBe(true))
    const before = second.edges.map((e) => e.allowanceMm)
    await tray.allowancesAsOn(first.id)
    await settled(() => expect(chosen(tray, 1).allowanceIncluded).toBe(false))
    expect(chosen(tray, 1).edges.map((e) => e.allowanceMm)).toEqual(
      second.edges.map((e, i) => (e.fold ? before[i] : e.role === 'hem' && hem >= 0 ? 30 : 12)),
    )
    expect(chosen(tray, 0).edges.map((e) => e.allowanceMm)).toEqual(widths.map((e) => e.allowanceMm))
  })

  it('lets a file that cannot be read change nothing', async () => {
    const tray = await taken()
    const before = await db.tray.get('now')
    const problem = await tray.takeFile('broken.svg', bytesOf('<svg xmlns="http://www.w3.org/2000/svg"><path'))
    expect(problem?.message.length).toBeGreaterThan(10)
    expect(await db.tray.get('now')).toEqual(before)
  })

  it('splits an edge where the outline was touched and joins it again, with the same line in the end', async () => {
    const tray = await taken()
    const { id, edges } = chosen(tray, 0)
    const lengths = edges.map((e) => measureLength(e.path))
    const longest = lengths.indexOf(Math.max(...lengths))
    const middle = edges[longest]!.path[0]!
    await tray.splitAt(id, { x: (middle.from.x + middle.to.x) / 2, y: (middle.from.y + middle.to.y) / 2 })
    await settled(() => expect(chosen(tray, 0).edges).toHaveLength(edges.length + 1))
    const parts = chosen(tray, 0).edges.slice(longest, longest + 2)
    expect(parts.reduce((sum, e) => sum + measureLength(e.path), 0)).toBeCloseTo(lengths[longest]!, 3)
    await tray.joinEdges(id, longest)
    await settled(() => expect(chosen(tray, 0).edges).toHaveLength(edges.length))
    expect(measureLength(chosen(tray, 0).edges[longest]!.path)).toBeCloseTo(lengths[longest]!, 3)
  })

  it('sets a notch where the outline is touched, and takes it away when touched there again', async () => {
    const tray = await taken()
    const { id, edges, notches } = chosen(tray, 0)
    const place = edges[0]!.path[0]!.from
    await tray.flipNotch(id, place)
    await settled(() => expect(chosen(tray, 0).notches).toHaveLength(notches.length + 1))
    await tray.flipNotch(id, place)
    await settled(() => expect(chosen(tray, 0).notches).toEqual(notches))
  })

  it('names edges afresh when the kind of piece changes; undo brings the old names back', async () => {
    const tray = await taken()
    const { id, kind } = chosen(tray, 0)
    const roles = () => chosen(tray, 0).edges.map((e) => e.role)
    const before = roles()
    await tray.setKind(id, kind === 'sleeve' ? 'front' : 'sleeve')
    await settled(() => expect(roles()).not.toEqual(before))
    expect(await tray.undo()).toBe('kind of piece')
    await settled(() => expect(roles()).toEqual(before))
    expect(chosen(tray, 0).kind).toBe(kind)
  })

  it('makes a sound garment of what is ready and keeps the rest; undo gives everything back to the tray', async () => {
    const tray = await named()
    const done = await tray.finish()
    if (!done.ok) throw new Error(done.sentence)
    const { garment } = done.row
    expect(checkGarment(garment)).toBeNull()
    expect(garment.pieces).toHaveLength(2)
    expect(garment.seams.map((s) => s.name)).toContain('shoulder seam')
    for (const piece of garment.pieces)
      for (const edge of piece.edges) expect(measureLength(shapeOf(piece, 'one').edges[edge.id]!)).toBeGreaterThan(5)
    await settled(() => expect(tray.state.pieces).toHaveLength(1))
    await settled(() => expect(tray.waiting(tray.state.pieces[0]!)).toMatch(/grain/))
    await tray.undo()
    await settled(() => expect(tray.state.pieces).toHaveLength(3))
  })

  it('sews edges that are pointed at, into the garment that is hung; with a new corner those of its piece are pointed at anew', async () => {
    const tray = await named()
    const [front, back] = tray.whole.pieces
    const free = (piece: typeof front) => ({ pieceId: piece!.id, edgeId: piece!.edges.at(-1)!.id })
    await tray.addSeam([[free(front)], [free(back)]])
    await settled(() => expect(tray.added).toHaveLength(1))
    const [seam] = tray.added
    await tray.turnSeam(seam!.id)
    await settled(() => expect(tray.added[0]!.seam.sides[1]![0]!.reversed).toBe(!seam!.seam.sides[1]![0]!.reversed))
    await tray.undo()
    await settled(() => expect(tray.added[0]!.seam).toEqual(seam!.seam))
    const done = await tray.finish()
    if (!done.ok) throw new Error(done.sentence)
    expect(done.row.garment.seams).toContainEqual(seam!.seam)
    await tray.undo()
    await settled(() => expect(tray.added).toHaveLength(1))
    const { id, edges } = tray.state.pieces.find((p) => p.draft.id === front!.id)!.draft
    const { from, to } = edges[0]!.path[0]!
    await tray.splitAt(id, { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 })
    await settled(() => expect(tray.added).toHaveLength(0))
  })

  it('empties with undo', async () => {
    const tray = await taken()
    await tray.clear()
    await settled(() => expect(tray.state).toEqual(EMPTY_TRAY))
    await tray.undo()
    await settled(() => expect(tray.state.pieces).toHaveLength(3))
    expect(tray.drawing).not.toBeNull()
  })

  it('hangs the garment and empties the tray in one go: where one cannot be stored, the other is not done', async () => {
    const tray = await named()
    const before = await db.tray.get('now')
    const browser = db
    vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementationOnce(() => {
      throw new DOMException('The quota has been exceeded.', 'QuotaExceededError')
    })
    // The page goes on without the storage that failed, and has both; the browser has neither.
    expect((await tray.finish()).ok).toBe(true)
    expect([await db.garments.count(), await db.fits.count(), (await db.tray.get('now'))!.pieces.length]).toEqual([1, 1, 1])
    await browser.open()
    expect(await browser.tray.get('now')).toEqual(before)
    expect([await browser.garments.count(), await browser.fits.count()]).toEqual([0, 0])
  })
})
