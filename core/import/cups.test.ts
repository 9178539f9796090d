import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { withCups } from '../../demo/cups'
import { takeCup } from '../changes/take-cup'
import { measureArea, measureLength } from '../geometry'
import { checkGarment, edgePath, outlineOf, shapeOf, type Garment, type Piece } from '../pattern'
import { ok, type Result } from '../result'
import { openCups } from '../size'
import { alignVariant, nestDrafts, proposeSeams, takeCupsAside, type PieceDraft } from './index'
import { contextWith } from '../changes/test-context'

const blouse = withCups(draftBlouse())
const back = blouse.pieces.find((p) => p.id === 'back')!
const cupPiece = (cup: string) => blouse.cups!.find((c) => c.cup === cup)!

/** A piece as one on its way in: its edges numbered from some corner on, its notches as the file happens to list them. */
function asDrafted(piece: Piece, id: string, settled: Partial<PieceDraft>, from = 0): { piece: Piece; draft: PieceDraft } {
  const n = piece.edges.length
  const turned = piece.edges.map((_, i) => (i + from) % n)
  const edgeId = new Map(turned.map((k, i) => [piece.edges[k]!.id, `edge-${i + 1}`]))
  const notches = [...piece.notches].reverse()
  const shape = piece.shapes.one!
  const own: Piece = {
    ...piece,
    id,
    name: id,
    cup: undefined,
    edges: turned.map((k, i) => ({ ...piece.edges[k]!, id: `edge-${i + 1}` })),
    corners: turned.map((k, i) => ({ ...piece.corners[k]!, id: `corner-${i + 1}` })),
    notches: notches.map((m, i) => ({ ...m, id: `notch-${i + 1}`, edgeId: edgeId.get(m.edgeId)! })),
    darts: piece.darts.map((d, i) => ({ ...d, id: `dart-${i + 1}`, legs: [edgeId.get(d.legs[0])!, edgeId.get(d.legs[1])!] })),
    shapes: {
      one: {
        ...shape,
        edges: Object.fromEntries(Object.entries(shape.edges).map(([k, path]) => [edgeId.get(k)!, path])),
        notches: Object.fromEntries(notches.map((m, i) => [`notch-${i + 1}`, shape.notches[m.id]!])),
      },
    },
  }
  const draft = { id, name: id, kind: piece.kind, edges: [], lines: [], notches: [], sizes: [], sizeName: '', ...settled } as unknown
  return { piece: own, draft: draft as PieceDraft }
}
const FRONT = asDrafted(cupPiece('B'), 'front-b', { cup: 'B' })
const OTHERS = [
  asDrafted(cupPiece('A'), 'front-a', { cup: 'A', cupOf: 'front-b' }, 3),
  asDrafted(cupPiece('C'), 'front-c', { cup: 'C', cupOf: 'front-b' }, 5),
]
const BACK = asDrafted(back, 'back', {})

function aside(built: { piece: Piece; draft: PieceDraft }[]) {
  return takeCupsAside(
    nestDrafts(built, 'one'),
    built.map((b) => b.draft),
  )
}
const problemOf = <T>(r: Result<T>) => (r.ok ? null : r.problem)

describe('pieces for other cups on their way in', () => {
  const done = aside([FRONT, ...OTHERS, BACK])
  const whole: Garment = { ...done.garment, seams: proposeSeams({ ...done.garment, seams: [] }) }

  it('are no pieces beside the one whose place they take, and all are among the cups', () => {
    expect(whole.pieces.map((p) => [p.id, p.cup])).toEqual([
      ['front-b', 'B'],
      ['back', undefined],
    ])
    expect(whole.cups!.map((c) => [c.id, c.cup])).toEqual([
      ['front-b', 'B'],
      ['front-b', 'A'],
      ['front-b', 'C'],
    ])
    expect(done.taken).toEqual(['front-a', 'front-c'])
    expect(done.problems.size).toBe(0)
    expect(checkGarment(whole)).toBeNull()
    expect(openCups(whole.cups!)).toEqual([
      { name: 'A', upToMm: 25 },
      { name: 'B', upToMm: 50 },
      { name: 'C', upToMm: 75 },
    ])
  })
  it('can take its place at once: their lines are as drawn, and seams are found on them', () => {
    expect(whole.seams.length).toBeGreaterThan(1)
    for (const cup of ['A', 'C']) {
      const taken = takeCup.apply(whole, { pieceId: 'front-b', cup }, contextWith())
      if (!taken.ok) throw new Error(taken.problem.message)
      expect(checkGarment(taken.value.garment)).toBeNull()
      expect(taken.value.held.filter((h) => !h.held)).toEqual([])
      const [was, now] = [cupPiece(cup), taken.value.garment.pieces[0]!]
      expect(measureArea(outlineOf(now, shapeOf(now, 'one')))).toBeCloseTo(measureArea(outlineOf(was, shapeOf(was, 'one'))), 6)
      for (const role of ['armhole', 'neck', 'hem'] as const) {
        const mm = (p: Piece) => measureLength(edgePath(shapeOf(p, 'one'), p.edges.find((e) => e.role === role)!.id))
        expect(mm(now)).toBeCloseTo(mm(was), 6)
      }
    }
  })
  it('have the ids of the piece from whichever corner they were drawn', () => {
    for (let from = 0; from < FRONT.piece.edges.length; from++) {
      const turned = asDrafted(cupPiece('C'), 'x', {}, from).piece
      expect(alignVariant(FRONT.piece, turned, 'one')).toEqual(alignVariant(FRONT.piece, asDrafted(cupPiece('C'), 'x', {}).piece, 'one'))
    }
  })
  it('stay in the tray with the reason while they cannot be one', () => {
    const said = (built: { piece: Piece; draft: PieceDraft }[], id: string) => aside([FRONT, BACK, ...built]).problems.get(id)?.code
    const other = OTHERS[0]!
    const settled = (change: Partial<PieceDraft>) => ({ ...other, draft: { ...other.draft, ...change } })
    expect(said([settled({ cup: '' })], 'front-a')).toBe('no-cup')
    expect(said([settled({ cup: 'B' })], 'front-a')).toBe('cup-twice')
    expect(said([settled({ cupOf: 'none' })], 'front-a')).toBe('cup-of-nothing')
    expect(said([settled({ cupOf: 'back' })], 'front-a')).toBe('edges-differ')
    // Nothing of it is half done: the others come in as they are.
    expect(aside([FRONT, BACK, settled({ cup: '' })]).garment.cups).toBeUndefined()
  })
  it('are refused by what does not correspond, in words', () => {
    const { piece } = OTHERS[0]!
    const lost = { ...piece, notches: piece.notches.slice(1) }
    expect(problemOf(alignVariant(FRONT.piece, lost, 'one'))).toMatchObject({ code: 'notches-differ' })
    const roles = piece.edges.map((e) => (e.role === 'neck' ? { ...e, role: 'other' as const } : e))
    expect(problemOf(alignVariant(FRONT.piece, { ...piece, edges: roles }, 'one'))?.message).toMatch(/do not follow each other/)
    expect(alignVariant(FRONT.piece, FRONT.piece, 'one')).toEqual(ok(FRONT.piece))
  })
})
