import { describe, expect, it } from 'vitest'
import { readDxf, readSvg, type Drawing } from '../formats'
import { nearestPlace } from '../geometry'
import { isLayerOfAnyFile, layersOf, withLayersSaid, type LayerRole } from './layers'
import { makeDrafts } from './make-drafts'

/** Lines of a DXF file: a code and its value, by turns. */
const dxf = (...pairs: (string | number)[]) => `${pairs.join('\n')}\n`
const polyline = (layer: string, closed: boolean, ...points: [number, number][]) => [
  ...[0, 'POLYLINE', 8, layer, 66, 1, 70, closed ? 1 : 0],
  ...points.flatMap(([x, y]) => [0, 'VERTEX', 8, layer, 10, x, 20, y]),
  ...[0, 'SEQEND'],
]
const text = (words: string, x: number, y: number) => [0, 'TEXT', 8, '1', 10, x, 20, y, 40, 5, 1, words]
const straight = (layer: string, a: [number, number], b: [number, number]) => [0, 'LINE', 8, layer, 10, a[0], 20, a[1], 11, b[0], 21, b[1]]

/** A pocket of the exchange standard whose program has added layers of its own for a seam line and for places. */
const POCKET = dxf(
  ...[0, 'SECTION', 2, 'HEADER', 9, '$INSUNITS', 70, 4, 0, 'ENDSEC', 0, 'SECTION', 2, 'BLOCKS'],
  ...[0, 'BLOCK', 8, '1', 2, 'PKT-1', 70, 0, 10, 0, 20, 0],
  ...text('Piece Name: POCKET', 40, 60),
  ...text('Size: M', 40, 50),
  ...text('Quantity: 2', 40, 40),
  ...polyline('1', true, [0, 0], [160, 0], [160, 180], [0, 180]),
  ...straight('7', [80, 30], [80, 150]),
  ...straight('4', [160, 90], [154, 90]),
  ...polyline('117', true, [10, 10], [150, 10], [150, 170], [10, 170]),
  ...straight('REF', [20, 150], [140, 150]),
  ...[0, 'ENDBLK', 0, 'ENDSEC', 0, 'SECTION', 2, 'ENTITIES', 0, 'INSERT', 8, '1', 2, 'PKT-1', 10, 0, 20, 0],
  ...[0, 'ENDSEC', 0, 'EOF'],
)
function drawing(): Drawing {
  const read = readDxf(POCKET)
  if (!read.ok) throw new Error(read.problem.message)
  return read.value
}
function piece(said: Record<string, LayerRole>) {
  const drafts = makeDrafts(withLayersSaid(drawing(), said), 1)
  if (!drafts.ok) throw new Error(drafts.problem.message)
  expect(drafts.value).toHaveLength(1)
  return drafts.value[0]!.draft
}

describe('layers that the exchange standard does not know', () => {
  it('are named with how many lines they have, before those that it knows', () => {
    expect(layersOf(drawing())).toEqual([
      { name: '117', lines: 1, readAs: null, isApart: true },
      { name: 'REF', lines: 1, readAs: null, isApart: true },
      expect.objectContaining({ name: 'cut line', readAs: 'cut line', isApart: false }),
      expect.objectContaining({ name: 'grain', readAs: 'grain' }),
      expect.objectContaining({ name: 'notch', readAs: 'notch' }),
    ])
  })
  it('do not keep its other layers from being read, and count for nothing by themselves', () => {
    const pocket = piece({})
    expect([pocket.name.toLowerCase(), pocket.count, pocket.notches.length, pocket.lines.length]).toEqual(['pocket', 2, 1, 0])
    expect(pocket.edges[0]!.allowanceMm).toBe(10)
    expect(pocket.allowanceIncluded).toBe(true)
  })
  it('hold what a person says: a seam line gives each edge its allowance', () => {
    const pocket = piece({ 117: 'seam line', REF: 'inner line' })
    expect(pocket.edges.map((e) => e.allowanceMm)).toEqual([10, 10, 10, 10])
    expect(pocket.allowanceIncluded).toBe(false)
    const corner = pocket.edges[0]!.path[0]!.from
    const cut = drawing().shapes.find((s) => s.name === 'cut line')!.path
    expect(nearestPlace(cut, corner).distanceMm).toBeCloseTo(10, 6)
    expect(pocket.lines).toHaveLength(1)
  })
})

it.each([
  ['Layer 1', true],
  ['layer_2', true],
  ['Drawing', true],
  ['117', false],
  ['REF', false],
  ['Ticks', false],
  ['12', true],
])('“%s” is a name that any file may have: %s', (name, isAny) => expect(isLayerOfAnyFile(name)).toBe(isAny))

describe('layers of any file', () => {
  const svg = (body: string) => {
    const read = readSvg(`<svg xmlns="http://www.w3.org/2000/svg" width="400mm" height="400mm" viewBox="0 0 400 400">${body}</svg>`)
    if (!read.ok) throw new Error(read.problem.message)
    return read.value
  }
  const BODY = `<g id="Outlines"><path d="M10 10H210V310H10Z" fill="none" stroke="#000"/></g>
    <g id="Help"><path d="M60 40V280M30 60H190" fill="none" stroke="#000"/></g><g id="pocket"><path d="M250 10H350V110H250Z" fill="none" stroke="#000"/></g>`
  it('are its groups that are no pieces; what is said to be nothing is left out', () => {
    const read = svg(BODY)
    expect(layersOf(read).map((l) => [l.name, l.lines])).toEqual([
      ['Help', 2],
      ['Outlines', 1],
    ])
    expect(withLayersSaid(read, { Help: 'nothing' }).shapes).toHaveLength(read.shapes.length - 2)
  })
  it('a group for every single thing is no layer', () => {
    const many = Array.from({ length: 40 }, (_, i) => `<g id="thing-${i}x"><path d="M${10 * i} 0V9" stroke="#000"/></g>`).join('')
    expect(layersOf(svg(many))).toEqual([])
  })
  it('a name that every object has by itself is none that was said', () => {
    const read = svg(BODY)
    expect(withLayersSaid(read, {}).shapes).toEqual(read.shapes)
    expect(layersOf(svg('<g id="constructor"><path d="M0 0H99V99H0Z" stroke="#000"/></g>'))).toHaveLength(1)
  })
})
