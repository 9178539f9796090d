import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { nestOf } from '../../demo/nest'
import { draftTrousers, TAPERED } from '../../demo/trousers'
import { readSvg, toPathData } from '../formats'
import { distance, measureLength, movePath, placeAt, type Path } from '../geometry'
import { checkGarment, edgePath, outlineOf, shapeOf, type Garment, type Piece } from '../pattern'
import { buildNest, matchDraft, matchSizes, nameEdges, nestDrafts, splitEdges, type FoundOutline, type PieceDraft } from './index'
import { outlinesIn } from './test-outlines'

const STYLES = ['#111 2 3', '#222 6 3', '#333 none', '#444 9 3', '#555 1 4', '#666 12 2', '#777 4 4']
const blouse = nestOf(draftBlouse())

/** A nest as a drawing program would write it: a group per size, per piece, or nothing but a style for each size. */
function draw(nest: Garment, how: 'size groups' | 'piece groups' | 'styles', kinds: Piece['kind'][]): string {
  const pieces = nest.pieces.filter((p) => kinds.includes(p.kind))
  const path = (p: Piece, k: number, i: number, extra = '') =>
    `<path ${extra} d="${toPathData(movePath(outlineOf(p, shapeOf(p, nest.sizes[i]!.id)), { x: 400 + k * 900, y: 400 }), true)}"/>`
  const style = (i: number) => `stroke="${STYLES[i]!.split(' ')[0]}" stroke-dasharray="${STYLES[i]!.split(' ').slice(1).join(' ')}"`
  const inner =
    how === 'size groups'
      ? nest.sizes.map((s, i) => `<g id="Size ${s.name}">${pieces.map((p, k) => `<g id="${p.name}">${path(p, k, i)}</g>`).join('')}</g>`)
      : how === 'piece groups'
        ? pieces.map((p, k) => `<g id="${p.name}">${nest.sizes.map((s, i) => path(p, k, i, `id="size-${s.name}"`)).join('')}</g>`)
        : pieces.map((p, k) => `<g id="${p.name}">${nest.sizes.map((_, i) => path(p, k, i, style(i))).join('')}</g>`)
  return `<svg xmlns="http://www.w3.org/2000/svg" width="4000mm" height="2000mm" viewBox="0 0 4000 2000">${inner.join('')}</svg>`
}
function find(svg: string): FoundOutline[] {
  const read = readSvg(svg)
  if (!read.ok) throw new Error(read.problem.message)
  return outlinesIn(read.value)
}
function draftOf(o: FoundOutline, kind: Piece['kind']): PieceDraft {
  const edges = splitEdges(o.path)
  const roles = nameEdges(kind, edges, { x: 0, y: 1 })
  return {
    id: o.id,
    name: o.name,
    kind,
    count: 1,
    mirrored: false,
    edges: edges.map((path, i) => ({ path, role: roles[i]!, fold: false, allowanceMm: 10 })),
    allowanceIncluded: false,
    grain: { from: { x: 500, y: 500 }, to: { x: 500, y: 600 } },
    notches: [],
    lines: [],
    sizeName: o.sizeName,
    sizes: o.sizes.map((s) => ({ ...s, pairs: {} })),
  }
}

describe('nested sizes in a file', () => {
  it.each(['size groups', 'piece groups', 'styles'] as const)('are found as one piece in seven sizes: %s', (how) => {
    const found = find(draw(blouse, how, ['front', 'back', 'sleeve']))
    expect(found.map((f) => f.name)).toEqual(['Front', 'Back', 'Sleeve'])
    for (const f of found) {
      expect(f.sizes).toHaveLength(6)
      expect(f.sizeName).toBe('4')
    }
    if (how !== 'styles') expect(found[0]!.sizes.map((s) => s.name)).toEqual(['1', '2', '3', '5', '6', '7'])
  })

  it.each<[string, Garment, Piece['kind'][]]>([
    ['blouse', blouse, ['front', 'back', 'sleeve']],
    ['trousers', nestOf(draftTrousers(TAPERED)), ['leg-front', 'leg-back']],
  ])('the %s comes in with every edge of every size as it was drawn', (_, nest, kinds) => {
    const pieces = nest.pieces.filter((p) => kinds.includes(p.kind))
    const found = find(draw(nest, 'size groups', kinds))
    const built = found.map((o, k) => {
      const draft = draftOf(o, pieces[k]!.kind)
      expect(matchDraft(draft).every((m) => m.sure.every(Boolean))).toBe(true)
      const piece = buildNest(draft, 'one')
      if (!piece.ok) throw new Error(`${piece.problem.where}: ${piece.problem.message}`)
      return { piece: piece.value, draft }
    })
    const garment: Garment = { ...nestDrafts(built, 'one'), seams: [] }
    expect(checkGarment(garment)).toBeNull()
    expect(garment.sizes.map((s) => s.name)).toEqual(nest.sizes.map((s) => s.name))
    for (const [k, piece] of garment.pieces.entries())
      for (const [i, size] of garment.sizes.entries()) {
        const was = pieces[k]!.edges.map((e) => measureLength(edgePath(shapeOf(pieces[k]!, nest.sizes[i]!.id), e.id))).sort((a, b) => a - b)
        const is = piece.edges.map((e) => measureLength(edgePath(shapeOf(piece, size.id), e.id))).sort((a, b) => a - b)
        expect(is).toHaveLength(was.length)
        for (const [n, mm] of is.entries()) expect(mm).toBeCloseTo(was[n]!, 2)
      }
  })

  it('two outlines that differ in style alone are sizes, unless one runs beside the other all the way round', () => {
    const two = { ...blouse, sizes: blouse.sizes.slice(2, 4) }
    expect(find(draw(two, 'styles', ['front']))).toHaveLength(1)
    expect(find(draw(two, 'styles', ['front']))[0]!.sizes).toHaveLength(1)
    const read = readSvg(
      '<svg xmlns="http://www.w3.org/2000/svg" width="500mm" height="500mm" viewBox="0 0 500 500"><path stroke="red" d="M0 0H200V300H0Z"/><path stroke="blue" d="M10 10H190V270H10Z"/></svg>',
    )
    const [both] = read.ok ? outlinesIn(read.value) : []
    expect(both!.sizes).toEqual([])
    expect(both!.called).toBe('seam line')
    expect(measureLength(both!.cutLine!)).toBeCloseTo(1000, 6)
    expect(find(draw(two, 'size groups', ['front']))[0]!.sizes).toHaveLength(1)
  })
})

describe('sizes that are drawn in one look', () => {
  const LOOK = 'fill="none" stroke="black"'
  /** Pieces side by side, each in so many sizes; without an edge of them, which is drawn once, where `isShared`. */
  function alike(sizes: number, kinds: Piece['kind'][], words = '', lacks: string | null = null): FoundOutline[] {
    const pieces = blouse.pieces.filter((p) => kinds.includes(p.kind))
    const drawn = pieces.flatMap((p, k) => {
      const by = { x: 400 + k * 900, y: 400 }
      const own = blouse.sizes.slice(0, sizes).map((s) => shapeOf(p, s.id))
      const whole = own.map((shape) => toPathData(movePath(outlineOf(p, shape), by), true))
      if (!lacks) return whole
      const at = p.edges.findIndex((e) => e.role === lacks)
      const order = [...p.edges.slice(at + 1), ...p.edges.slice(0, at)]
      const folds = own.map((shape) => movePath(edgePath(shape, p.edges[at]!.id), by))
      const ys = folds.flatMap((f) => f.flatMap((x) => [x.from.y, x.to.y]))
      const x = folds[0]![0]!.from.x
      const once = `M${x} ${Math.min(...ys)}V${Math.max(...ys)}`
      return [
        once,
        ...own.map((shape) =>
          toPathData(
            order.flatMap((e) => [...movePath(edgePath(shape, e.id), by)]),
            false,
          ),
        ),
      ]
    })
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="4000mm" height="2000mm" viewBox="0 0 4000 2000">${drawn.map((d) => `<path ${LOOK} d="${d}"/>`).join('')}${words}</svg>`
    return find(svg).filter((o) => !o.aside)
  }

  it('are one piece where two pieces have as many', () => {
    const found = alike(3, ['front', 'sleeve'])
    expect(found.map((f) => f.sizes.length)).toEqual([2, 2])
    expect(found.every((f) => f.cutLine === null && f.trouble === null)).toBe(true)
  })
  it('of a piece alone are told by words that say how many there are, and called so', () => {
    const words = [34, 36, 38].map((n, i) => `<text x="3500" y="${100 + 20 * i}" font-size="8">Size ${n}</text>`).join('')
    const [piece] = alike(3, ['sleeve'], words)
    expect([piece!.sizeName, ...piece!.sizes.map((s) => s.name)]).toEqual(['36', '34', '38'])
    const other = alike(3, ['sleeve'])
    expect(other.some((o) => o.sizes.length === 2)).toBe(false)
  })
  it('are closed along an edge that all of them share, each by itself', () => {
    const centre = blouse.pieces.find((p) => p.kind === 'back')!.edges.find((e) => e.role.startsWith('centre'))!.role
    const found = alike(4, ['back'], '<text x="3500" y="100" font-size="8">Sizes 1, 2, 3, 4</text>', centre)
    expect(found).toHaveLength(1)
    expect(found[0]!.sizes.map((s) => s.name)).toEqual(['1', '3', '4'])
    const back = blouse.pieces.find((p) => p.kind === 'back')!
    expect(measureLength(found[0]!.path)).toBeCloseTo(measureLength(outlineOf(back, shapeOf(back, blouse.sizes[1]!.id))), 0)
  })
})

describe('an edge that is drawn twice', () => {
  const at = (x: number, y: number) => `${x} ${y}`
  const corners = [at(50, 50), at(350, 50), at(400, 500), at(50, 480)]
  const edges = corners.map((c, i) => `M${c}L${corners[(i + 1) % 4]!}`)
  const found = (...paths: string[]) =>
    find(
      `<svg xmlns="http://www.w3.org/2000/svg" width="600mm" height="600mm" viewBox="0 0 600 600">${paths.map((d) => `<path fill="none" stroke="black" d="${d}"/>`).join('')}</svg>`,
    ).filter((o) => !o.aside)

  it.each([0, 1, 2, 3, 4])('leaves its outline closed, wherever it stands in the file: %d', (place) => {
    const drawn = [...edges]
    drawn.splice(place, 0, edges[3]!)
    const all = found(...drawn)
    expect(all).toHaveLength(1)
    expect(all[0]!.trouble).toBeNull()
    expect(measureLength(all[0]!.path)).toBeCloseTo(measureLength(found(...edges)[0]!.path), 3)
  })
  it('as a slit that runs in and out again is a notch, and the outline closed', () => {
    const [all] = [
      found(`M50 50L350 50`, `M350 50L375 275`, 'M375 275L368 276', 'M368 276L375 275', 'M375 275L400 500', edges[2]!, edges[3]!),
    ]
    expect(all).toHaveLength(1)
    expect(all[0]!.trouble).toBeNull()
    expect(all[0]!.cutNotches).toHaveLength(1)
  })
})

describe('corners that do not correspond', () => {
  it('are what is said to be wrong when a size cannot be built without them', () => {
    const draft: PieceDraft = {
      id: 'p',
      name: 'Panel',
      kind: 'other',
      count: 1,
      mirrored: false,
      edges: base.map((path) => ({ path, role: 'other', fold: false, allowanceMm: 60 })),
      allowanceIncluded: true,
      grain: { from: { x: 100, y: 50 }, to: { x: 100, y: 250 } },
      notches: [],
      lines: [],
      sizeName: 'M',
      sizes: [{ name: 'L', path: rounded, pairs: {} }],
    }
    const built = buildNest(draft, 'one')
    expect(!built.ok && built.problem.message).toMatch(/^size L has no corner where edge \d begins\.$/)
    expect(buildNest({ ...draft, allowanceIncluded: false }, 'one').ok).toBe(true)
    const lost = matchSizes(base, rounded).sure.indexOf(false)
    const paired = buildNest(
      { ...draft, sizes: [{ name: 'L', path: rounded, pairs: { [lost]: 240 + 260 } }], allowanceIncluded: false },
      'one',
    )
    expect(paired.ok && Object.keys(paired.value.shapes)).toEqual(['one', 'size-L'])
  })

  const square = (w: number, h: number): Path =>
    [
      { x: 0, y: 0 },
      { x: w, y: 0 },
      { x: w, y: h },
      { x: 0, y: h },
    ].map((from, i, all) => ({ kind: 'line' as const, from, to: all[(i + 1) % 4]! }))
  const base = splitEdges(square(200, 300))
  /** The larger size has lost its lower right corner: it runs round there. */
  const rounded: Path = [
    { kind: 'line', from: { x: 0, y: 0 }, to: { x: 240, y: 0 } },
    { kind: 'line', from: { x: 240, y: 0 }, to: { x: 240, y: 260 } },
    { kind: 'cubic', from: { x: 240, y: 260 }, c1: { x: 240, y: 320 }, c2: { x: 220, y: 340 }, to: { x: 160, y: 340 } },
    { kind: 'line', from: { x: 160, y: 340 }, to: { x: 0, y: 340 } },
    { kind: 'line', from: { x: 0, y: 340 }, to: { x: 0, y: 0 } },
  ]

  it('are shown, and lie in proportion until they are paired', () => {
    const matched = matchSizes(base, rounded)
    expect(matched.sure.filter((s) => !s)).toHaveLength(1)
    const lost = matched.sure.indexOf(false)
    const at = placeAt(rounded, matched.atMm[lost]!).point
    expect(distance(at, { x: 240, y: 340 })).toBeLessThan(60)
    const sure = matched.atMm.map((mm) => placeAt(rounded, mm).point)
    for (const corner of [
      { x: 0, y: 0 },
      { x: 240, y: 0 },
      { x: 0, y: 340 },
    ])
      expect(sure.some((p) => distance(p, corner) < 0.01)).toBe(true)
  })
  it('take the place that a person gives them', () => {
    const lost = matchSizes(base, rounded).sure.indexOf(false)
    const byHand = matchSizes(base, rounded, { [lost]: 560 })
    expect(byHand.sure.every(Boolean)).toBe(true)
    expect(byHand.atMm[lost]).toBe(560)
  })
})
