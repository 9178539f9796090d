import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { distance, measureArea, measureLength, placeAt } from '../geometry'
import { ellipseArc, polyline, spline } from './dxf-curves'
import { readDxf } from './dxf-in'

const file = (entities: string, units = 4) =>
  `0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n${units}\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n${entities}\n0\nENDSEC\n0\nEOF\n`
const read = (text: string) => {
  const drawing = readDxf(text)
  if (!drawing.ok) throw new Error(`${drawing.problem.where}: ${drawing.problem.message}`)
  return drawing.value
}
const LINE = '0\nLINE\n8\n0\n10\n0\n20\n0\n11\n10\n21\n5'

describe('DXF in', () => {
  it.each([
    [1, 25.4, 'in'],
    [4, 1, 'mm'],
    [5, 10, 'cm'],
    [6, 1000, 'cm'],
    [0, 1, 'guess'],
  ] as const)('has the scale of its header: $INSUNITS %d', (units, mm, from) => {
    const drawing = read(file(LINE, units))
    expect(drawing.scaleFrom).toBe(from)
    // Upward in the file is downward here.
    expect(drawing.shapes[0]!.path[0]!.to).toEqual({ x: 10 * mm, y: -5 * mm })
  })
  it('closes a polyline with a half circle for an end: pi r long, half of pi r² in area', () => {
    const half = `0\nLWPOLYLINE\n8\nCUT\n90\n2\n70\n1\n10\n0\n20\n0\n42\n1\n10\n100\n20\n0\n42\n0`
    const [shape] = read(file(half)).shapes
    expect(shape!.closed).toBe(true)
    expect(measureLength(shape!.path)).toBeCloseTo(50 * Math.PI + 100, 2)
    expect(Math.abs(measureArea(shape!.path))).toBeCloseTo((Math.PI * 50 * 50) / 2, 0)
  })
  it('turns, scales and repeats a block, words and all, and calls its lines after it', () => {
    const text = `0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n8\n0\n2\nFLAP\n70\n0\n10\n0\n20\n0\n${LINE}\n0\nTEXT\n8\n0\n10\n0\n20\n0\n40\n5\n1\nFlap\n0\nENDBLK\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n0\nINSERT\n8\n0\n2\nFLAP\n10\n100\n20\n0\n41\n2\n42\n2\n50\n90\n0\nENDSEC\n0\nEOF\n`
    const { shapes, texts } = read(text)
    expect(shapes[0]!.groups).toEqual(['FLAP'])
    const { to } = shapes[0]!.path[0]!
    expect(to.x).toBeCloseTo(90, 9)
    expect(to.y).toBeCloseTo(-20, 9)
    expect(texts[0]!.text).toBe('Flap')
    expect(texts[0]!.at.x).toBeLessThan(100)
  })
  it('an arc that turns a billion times goes once round at the most', () => {
    const [shape] = read(file('0\nARC\n8\n0\n10\n0\n20\n0\n40\n50\n50\n0\n51\n360000000090')).shapes
    expect(measureLength(shape!.path)).toBeCloseTo(25 * Math.PI, 1)
  })
  it.each([
    ['no file of this sort', 'hello', /no whole DXF|no lines/],
    ['a binary file', 'Some Binary DXF\r\n', /binary/],
    ['lines to infinity', file('0\nLINE\n8\n0\n10\n0\n20\n0\n11\n1e999\n21\n5'), /infinity|no lines/],
    [
      'a block within itself',
      `0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n8\n0\n2\nA\n70\n0\n10\n0\n20\n0\n0\nINSERT\n8\n0\n2\nA\n10\n0\n20\n0\n0\nENDBLK\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n0\nINSERT\n8\n0\n2\nA\n10\n0\n20\n0\n0\nENDSEC\n0\nEOF\n`,
      /repeat each other/,
    ],
  ])('refuses %s in a sentence', (_, text, said) => {
    const drawing = readDxf(text)
    expect(drawing.ok).toBe(false)
    if (!drawing.ok) expect(drawing.problem.message).toMatch(said)
  })
})

describe('curves of a DXF', () => {
  const figure = fc.double({ min: -200, max: 200, noNaN: true })
  it('a bulge of tan(a / 4) is an arc of a: every place of it lies on its circle', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 1.5, noNaN: true }), fc.boolean(), (bulge, left) => {
        const path = polyline(
          [
            { x: 0, y: 0, bulge: left ? bulge : -bulge },
            { x: 80, y: 30 },
          ],
          false,
        )
        const sweep = 4 * Math.atan(bulge)
        const radius = Math.hypot(80, 30) / (2 * Math.sin(sweep / 2))
        expect(measureLength(path)).toBeCloseTo(radius * sweep, 2)
        const [a, m, z] = [0, 0.5, 1].map((part) => placeAt(path, measureLength(path) * part).point)
        expect(distance(a!, m!)).toBeCloseTo(distance(m!, z!), 3)
      }),
    )
  })
  it('a quarter of an ellipse ends on both axes', () => {
    const path = ellipseArc(
      { x: 10, y: 0 },
      [
        { x: 60, y: 0 },
        { x: 0, y: 20 },
      ],
      0,
      Math.PI / 2,
    )
    expect(path[0]!.from).toEqual({ x: 70, y: 0 })
    expect(path[path.length - 1]!.to.y).toBeCloseTo(20, 9)
  })
  it('a clamped cubic spline in one span is its own handles; put together of more, it runs on without a corner', () => {
    const points = [
      { x: 0, y: 0 },
      { x: 10, y: 40 },
      { x: 60, y: 50 },
      { x: 90, y: 0 },
    ]
    expect(spline(3, [0, 0, 0, 0, 1, 1, 1, 1], points, [])).toEqual([
      { kind: 'cubic', from: points[0], c1: points[1], c2: points[2], to: points[3] },
    ])
    fc.assert(
      fc.property(fc.array(fc.record({ x: figure, y: figure }), { minLength: 6, maxLength: 9 }), (list) => {
        const inner = list.length - 4
        const knots = [0, 0, 0, 0, ...Array.from({ length: inner }, (_, i) => i + 1), ...Array<number>(4).fill(inner + 1)]
        const path = spline(3, knots, list, [])
        expect(path).toHaveLength(inner + 1)
        path.slice(1).forEach((s, i) => {
          const before = path[i]!
          expect(distance(before.to, s.from)).toBeLessThan(1e-9)
          // Handles on both sides of a joint are as long as the spans beside it, and in one line.
          if (before.kind === 'cubic' && s.kind === 'cubic') {
            expect(s.c1.x - s.from.x).toBeCloseTo(before.to.x - before.c2.x, 6)
            expect(s.c1.y - s.from.y).toBeCloseTo(before.to.y - before.c2.y, 6)
          }
        })
      }),
    )
  })
  it('a spline that gives only the points it runs through is drawn between them', () => {
    expect(
      spline(
        3,
        [],
        [],
        [
          { x: 0, y: 0 },
          { x: 5, y: 5 },
        ],
      ),
    ).toHaveLength(1)
  })
})
