import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { draftTrousers, TAPERED } from '../../demo/trousers'
import { readSvg } from '../formats'
import { line, measureLength, movePath, reversePath, type Path, type Point } from '../geometry'

import { checkGarment, outlineOf, shapeOf, type Garment, sideLength } from '../pattern'
import { buildPiece, findDarts, guessKind, nameEdges, proposeSeams, readMarks, splitEdges, type PieceDraft } from './index'
import { outlinesIn } from './test-outlines'

const DOWN: Point = { x: 0, y: 1 }
const outline = (inner: string) => {
  const read = readSvg(`<svg xmlns="http://www.w3.org/2000/svg" width="500mm" height="500mm" viewBox="0 0 500 500">${inner}</svg>`)
  if (!read.ok) throw new Error(read.problem.message)
  return outlinesIn(read.value)
}

/** A demo garment taken apart to bare outlines and put together again by the guesses. */
function guessed(garment: Garment): Garment {
  const pieces = garment.pieces.map((p) => {
    const shape = shapeOf(p, 'one')
    const edges = splitEdges(outlineOf(p, shape))
    const roles = nameEdges(p.kind, edges, DOWN)
    const draft: PieceDraft = {
      id: p.id,
      name: p.name,
      kind: p.kind,
      count: p.cut.count,
      mirrored: p.cut.mirrored,
      allowanceIncluded: false,
      grain: shape.grain,
      notches: [],
      lines: [],
      sizeName: '',
      sizes: [],
      edges: edges.map((path, i) => ({ path, role: roles[i]!, fold: roles[i]!.startsWith('centre'), allowanceMm: 10 })),
    }
    const built = buildPiece(draft, 'one')
    if (!built.ok) throw new Error(built.problem.message)
    return built.value
  })
  return { ...garment, pieces, seams: [] }
}

describe('finding outlines', () => {
  it('joins strokes end to end, either way round, and turns them clockwise', () => {
    const [found] = outline('<g><path d="M0 0L0 200"/><path d="M200 200L0 200"/><path d="M200 200L200 0L0 0"/></g>')
    expect(found!.trouble).toBeNull()
    expect(splitEdges(found!.path)).toHaveLength(4)
    expect(found!.path[0]!.from).toEqual(found!.path[found!.path.length - 1]!.to)
  })
  it('keeps an open outline and one that crosses itself, with the place', () => {
    const [open, bow] = outline('<path d="M0 0H200V200H0V30"/><path d="M300 0L480 180V0L300 200Z"/>')
    expect(open!.trouble).toMatchObject({ code: 'open', at: { x: 0, y: 30 } })
    expect(open!.trouble!.gapMm).toBeCloseTo(30, 6)
    expect(bow!.trouble!.code).toBe('crosses')
    expect(bow!.trouble!.at.x).toBeGreaterThan(300)
  })
  it('leaves buttons, test squares and inner lines out, and takes a named seam line instead of the cut line around it', () => {
    const found =
      outline(`<g id="bodice"><g id="cut-line"><path d="M0 0h220v220h-220z"/></g><g id="seam-line"><path d="M10 10h200v200h-200z"/></g><circle cx="100" cy="100" r="6"/></g>
      <g id="test-square"><path d="M300 0h50v50h-50z"/></g>`)
    expect(found.map((f) => f.aside)).toEqual([null, 'test-square'])
    expect(found[0]!.called).toBe('seam line')
    expect(measureLength(found[0]!.path)).toBeCloseTo(800, 9)
    expect(found[0]!.name).toBe('bodice')
  })
  it('tells grain, notches and inner lines apart', () => {
    const [found] = outline(
      '<path d="M0 0h200v400h-200z"/><path d="M60 80V320"/><path d="M200 150h-8"/><path id="shorten here" d="M5 200H190"/>',
    )
    const marks = readMarks(found!, splitEdges(found!.path))
    expect(marks.grain).toEqual({ from: { x: 60, y: 80 }, to: { x: 60, y: 320 } })
    expect(marks.notches).toEqual([{ x: 200, y: 150 }])
    expect(marks.lines.map((l) => l.name)).toEqual(['shorten here'])
  })
})

describe('first guesses', () => {
  it.each([
    ['Front', 'front'],
    ['back bodice', 'back'],
    ['Sleeve left', 'sleeve'],
    ['Back leg', 'leg-back'],
    ['skirt front', 'skirt-front'],
    ['collar', 'band'],
    ['Thing', 'other'],
  ] as const)('%s is a %s', (name, kind) => {
    expect(guessKind(name)).toBe(kind)
  })
  it('names every edge of the drafted pieces as they were drafted', () => {
    for (const garment of [draftBlouse(), draftTrousers(TAPERED)])
      for (const p of garment.pieces.filter((x) => x.kind !== 'band')) {
        const edges = p.edges.map((e) => shapeOf(p, 'one').edges[e.id]!)
        expect(nameEdges(p.kind, edges, DOWN), p.name).toEqual(p.edges.map((e) => e.role))
      }
  })
  it('finds darts as two alike straight legs with a sharp turn inward', () => {
    const front = draftBlouse().pieces[0]!
    expect(findDarts(front.edges.map((e) => shapeOf(front, 'one').edges[e.id]!))).toEqual([4])
  })
  it('does the same for a piece drawn the other way round (centre on the right)', () => {
    const back = draftBlouse().pieces[1]!
    const flipped: Path[] = back.edges
      .map((e) =>
        reversePath(
          shapeOf(back, 'one').edges[e.id]!.map((s) =>
            s.kind === 'line'
              ? line({ x: -s.from.x, y: s.from.y }, { x: -s.to.x, y: s.to.y })
              : {
                  ...s,
                  from: { x: -s.from.x, y: s.from.y },
                  c1: { x: -s.c1.x, y: s.c1.y },
                  c2: { x: -s.c2.x, y: s.c2.y },
                  to: { x: -s.to.x, y: s.to.y },
                },
          ),
        ),
      )
      .reverse()
    expect(nameEdges('back', flipped, DOWN)).toEqual([...back.edges.map((e) => e.role)].reverse())
  })
})

describe('building pieces and proposing seams', () => {
  it('takes an included allowance off, edge by edge', () => {
    const edges = splitEdges(outline('<path d="M0 0h200v300h-200z"/>')[0]!.path)
    const draft: PieceDraft = {
      id: 'p',
      name: 'Panel',
      kind: 'other',
      count: 1,
      mirrored: false,
      allowanceIncluded: true,
      grain: { from: { x: 100, y: 50 }, to: { x: 100, y: 250 } },
      notches: [{ x: 200, y: 100 }],
      lines: [],
      sizeName: '',
      sizes: [],
      edges: edges.map((path, i) => ({ path, role: 'other', fold: i === 3, allowanceMm: 10 + i * 5 })),
    }
    const built = buildPiece(draft, 'one')
    if (!built.ok) throw new Error(built.problem.message)
    // Top 10, right 15, bottom 20, left on the fold.
    expect(built.value.edges.map((e) => measureLength(built.value.shapes.one!.edges[e.id]!))).toEqual(
      [185, 270, 185, 270].map((n) => expect.closeTo(n, 6)),
    )
    expect(built.value.shapes.one!.notches['notch-1']!.distanceMm).toBeCloseTo(90, 6)
    expect(checkGarment({ sizes: [{ id: 'one', name: 'one' }], baseSizeId: 'one', pieces: [built.value], seams: [] })).toBeNull()
    expect(buildPiece({ ...draft, grain: null }, 'one').ok).toBe(false)
    const wide = buildPiece({ ...draft, edges: draft.edges.map((e) => ({ ...e, fold: false, allowanceMm: 140 })) }, 'one')
    expect(!wide.ok && wide.problem.code).toBe('allowance-too-wide')
  })
  it.each([
    ['', 0],
    ['whose tip the drawing begins at', 3],
  ])('takes nothing off the legs of a dart %s: they are sewn where they are drawn', (_, from) => {
    const edges = splitEdges(outline('<path d="M0 0h200v120l-80 20l80 30v130h-200z"/>')[0]!.path)
    const roles = ['neck', 'side', 'dart-leg', 'dart-leg', 'side', 'hem', 'centre-front'] as const
    const turned = edges.map((_, i) => (i + from) % edges.length)
    const draft: PieceDraft = {
      id: 'p',
      name: 'Front',
      kind: 'front',
      count: 1,
      mirrored: false,
      allowanceIncluded: true,
      grain: { from: { x: 60, y: 50 }, to: { x: 60, y: 250 } },
      notches: [],
      lines: [],
      sizeName: '',
      sizes: [],
      edges: turned.map((k) => ({ path: edges[k]!, role: roles[k]!, fold: k === 6, allowanceMm: 10 })),
    }
    const built = buildPiece(draft, 'one')
    if (!built.ok) throw new Error(built.problem.message)
    const shape = built.value.shapes.one!
    const [first, second] = built.value.darts[0]!.legs.map((id) => shape.edges[id]!)
    expect(first![0]!.from).toEqual({ x: expect.closeTo(190, 6), y: expect.closeTo(122.5, 6) })
    expect(first!.at(-1)!.to).toEqual({ x: expect.closeTo(120, 6), y: expect.closeTo(140, 6) })
    expect(second!.at(-1)!.to).toEqual({ x: expect.closeTo(190, 6), y: expect.closeTo(166.25, 6) })
  })
  it.each<[string, Garment, string[]]>([
    ['blouse', draftBlouse(), ['shoulder seam', 'side seam', 'sleeve seam', 'armhole seam']],
    ['trousers', draftTrousers(TAPERED), ['outseam', 'inseam']],
  ])('proposes the seams of the %s, equal as drafted', (_, garment, names) => {
    const built = guessed(garment)
    const seams = proposeSeams(built)
    for (const name of names) {
      const seam = seams.find((s) => s.name === name)!
      const drafted = garment.seams.find((s) => s.name === name)!
      for (const side of [0, 1] as const)
        expect(sideLength(built, seam, side, 'one')).toBeCloseTo(sideLength(garment, drafted, side, 'one'), 3)
    }
    expect(checkGarment({ ...built, seams })).toBeNull()
  })
  it('pairs notches that lie at the same place of a seam', () => {
    const panel = (id: string, kind: 'front' | 'back', at: number): PieceDraft => ({
      id,
      name: id,
      kind,
      count: 1,
      mirrored: false,
      allowanceIncluded: false,
      grain: { from: { x: 50, y: 10 }, to: { x: 50, y: 290 } },
      lines: [],
      sizeName: '',
      sizes: [],
      notches: [{ x: 100, y: at }],
      edges: splitEdges(movePath(outline('<path d="M0 0h100v300h-100z"/>')[0]!.path, { x: 0, y: 0 })).map((path, i) => ({
        path,
        role: (['neck', 'side', 'hem', 'centre-front'] as const)[i]!,
        fold: false,
        allowanceMm: 10,
      })),
    })
    const pieces = [panel('a', 'front', 120), panel('b', 'back', 126)].map((d) => {
      const built = buildPiece(d, 'one')
      if (!built.ok) throw new Error(built.problem.message)
      return built.value
    })
    const [seam] = proposeSeams({ sizes: [{ id: 'one', name: 'one' }], baseSizeId: 'one', pieces, seams: [] })
    expect(seam!.marks).toEqual([
      [
        { pieceId: 'a', notchId: 'notch-1' },
        { pieceId: 'b', notchId: 'notch-1' },
      ],
    ])
  })
})
