import { describe, expect, it } from 'vitest'
import { readSvg } from '../formats'
import { measureArea, measureLength, nearestPlace } from '../geometry'
import { findOutlines, type FoundOutline } from './find-outlines'
import { readMarks } from './read-marks'
import { readWords } from './read-words'
import { splitEdges } from './split-edges'
import { takeOutNotches } from './take-out-notches'

const found = (inner: string, head = 'width="1000mm" height="1000mm" viewBox="0 0 1000 1000"') => {
  const read = readSvg(`<svg xmlns="http://www.w3.org/2000/svg" ${head}>${inner}</svg>`)
  if (!read.ok) throw new Error(read.problem.message)
  const outlines = findOutlines(read.value)
  if (!outlines.ok) throw new Error(outlines.problem.message)
  return outlines.value
}
const pieces = (inner: string): FoundOutline[] => found(inner).outlines.filter((o) => !o.aside)
const LINE = 'fill="none" stroke="black"'

describe('outlines with trouble in them', () => {
  it('that nearly close are shown closed, with how far they are off and where', () => {
    const [one] = pieces(
      `<path ${LINE} d="M0 0H200"/><path ${LINE} d="M202 1V300"/><path ${LINE} d="M200 301H1"/><path ${LINE} d="M0 298V2"/>`,
    )
    expect(one!.trouble).toMatchObject({ code: 'open' })
    expect(one!.trouble!.gapMm).toBeGreaterThan(1)
    expect(one!.trouble!.gapMm).toBeLessThan(3.5)
    expect(Math.abs(measureArea(one!.path))).toBeCloseTo(60_300, -3)
  })
  it('that run over each other at their corners are trimmed there', () => {
    const [one] = pieces(
      `<path ${LINE} d="M-4 0H204"/><path ${LINE} d="M200 -3V304"/><path ${LINE} d="M205 300H-3"/><path ${LINE} d="M0 303V-5"/>`,
    )
    expect(one!.trouble).toMatchObject({ code: 'open' })
    expect(Math.abs(measureArea(one!.path))).toBeCloseTo(60_000, 3)
    expect(measureLength(one!.path)).toBeCloseTo(1000, 3)
  })
  it('that gape wide stay open, and what lies beside them is none the worse', () => {
    const both = pieces(`<path ${LINE} d="M0 0H200V300H0V60"/><path ${LINE} d="M300 0H500V300H300Z"/>`)
    expect(both.map((o) => o.trouble?.code ?? null)).toEqual(['open', null])
    expect(both[0]!.trouble!.gapMm).toBeCloseTo(60, 6)
  })
  it('whose dashes were written one by one are lines', () => {
    const dash = (x: number, y: number, dx: number, dy: number) => `<path ${LINE} d="M${x} ${y}l${dx} ${dy}"/>`
    const along = Array.from({ length: 25 }, (_, i) => 12 * i)
    const dashes = along.flatMap((t) => [dash(t, 0, 8, 0), dash(300, t, 0, 8), dash(300 - t, 300, -8, 0), dash(0, 300 - t, 0, -8)])
    const [one] = pieces(dashes.join(''))
    expect(readMarks(one!, splitEdges(one!.path)).notches).toEqual([])
    expect(Math.abs(measureArea(one!.path))).toBeCloseTo(90_000, -3)
  })
  it('that were turned into narrow areas are the line in their middle', () => {
    const [one, ...others] = pieces('<path fill="black" d="M0 0H202V302H0ZM2 2V300H200V2Z"/>')
    expect(others).toEqual([])
    expect(Math.abs(measureArea(one!.path))).toBeCloseTo(200 * 300, 3)
  })
  it('whose seam line is left open at the fold have both lines, and none added on the fold', () => {
    const [one, ...others] = pieces(
      `<path ${LINE} d="M0 0H220V320H0Z"/><path ${LINE} stroke-dasharray="4 2" d="M0 10H210V300H0"/><path id="grain" ${LINE} d="M100 60V240"/>`,
    )
    expect(others).toEqual([])
    expect(one!.called).toBe('seam line')
    expect(Math.abs(measureArea(one!.path))).toBeCloseTo(210 * 290, 6)
  })
  it('that are drawn twice are one piece', () => {
    expect(pieces(`<path fill="#eee" d="M0 0H200V300H0Z"/><path ${LINE} d="M200 300H0V0H200Z"/>`)).toHaveLength(1)
  })
})

describe('what stands beside pieces', () => {
  const FRONT = `<path ${LINE} d="M300 0H500V300H300Z"/><text x="340" y="100" font-size="8">Front</text><text x="340" y="120" font-size="8">Cut 2</text>`
  it('is told by kind: test square, words, badge; and a line within a piece is asked about', () => {
    const kinds = found(
      `${FRONT}${FRONT.replace(/300 0H500V300H300Z/, '600 0H800V300H600Z')
        .replace(/x="340"/g, 'x="640"')
        .replace('Front', 'Back')}
      <path ${LINE} d="M0 0H50V50H0Z"/><text x="4" y="30" font-size="5">test 5 cm</text>
      <path ${LINE} d="M0 100H200V180H0Z"/><text x="5" y="120" font-size="6">Harbour set</text><text x="5" y="140" font-size="6">Sheet 1, print at 100 %</text>
      <path d="M40 250L120 250L80 330Z"/><path ${LINE} d="M350 150H430V240H350Z"/>`,
    ).outlines.map((o) => [o.name, o.aside])
    expect(kinds).toEqual(
      expect.arrayContaining([
        ['Front', null],
        ['Back', null],
        ['Test square', 'test-square'],
        ['Box of words', 'words'],
        ['Small shape', 'badge'],
        ['Line within a piece', 'inside'],
      ]),
    )
  })
  it('a test square that does not measure what it says tells the scale', () => {
    const { scale } = found(
      `${FRONT}<path ${LINE} d="M0 0H48.5V48.5H0Z"/><text x="0" y="60" font-size="5">this square must be 5 x 5 cm</text>`,
    )
    expect(scale).toEqual({ measuredMm: expect.closeTo(48.5, 6) as number, saidMm: 50 })
  })
})

describe('words on a piece', () => {
  const said = (...lines: string[]) => {
    const at = { x: 0, y: 0 }
    return readWords(
      lines.map((text) => ({ text, at, middle: at, end: at, heightMm: 5, groups: [] })),
      { titles: new Set(), times: new Map() },
    )
  }
  it.each([
    [['FRONT', 'CUT 2'], 'Front', 2, false],
    [['Side Back', 'cut 1 pair'], 'Side Back', 2, true],
    [['4 - Under Sleeve - cut 2 mirrored'], 'Under Sleeve', 2, true],
    [['Yoke', 'Cut 1 on fold', 'interfacing: cut 1'], 'Yoke', 1, false],
    [['Collar stand', 'cut 2 fabric, 1 interfacing'], 'Collar stand', 2, false],
    [['POCKET BAG x4'], 'Pocket bag', 4, false],
    [['POCKET BAG C', 'CUT 2'], 'Pocket bag C', 2, false],
    [['FRONT A', 'CUT 1'], 'Front A', 1, false],
    [['WEARER’S SLEEVE', 'CUT 2'], 'Wearer’s sleeve', 2, false],
    [['No. 7', 'Waistband facing', '2x'], 'Waistband facing', 2, false],
    [['Hood', 'cut 2 pairs'], 'Hood', 4, true],
    [['Left Front', '1x left, 1x right'], 'Left Front', 2, true],
    [['Front leg', 'Quantity: 1,1'], 'Front leg', 2, true],
    [['Yoke', 'Quantity: 2,0'], 'Yoke', 2, false],
    [['Belt loops', 'Qty: 5'], 'Belt loops', 5, false],
    [['Cuff (cut 4)', 'seam allowance 1.5 cm'], 'Cuff', 4, false],
    [['size 12', 'grainline', 'Gusset', 'cut two'], 'Gusset', 2, false],
    [['Size S', 'Tab', 'cut 2'], 'Tab', 2, false],
    [['BODICE', 'BACK', 'facing line', 'cut 1'], 'Bodice back', 1, false],
    [['Cuff', 'cut 4 in main fabric'], 'Cuff', 4, false],
    [['Welt', 'cut 2 in velvet', 'cut 2 in from the edge'], 'Welt', 2, false],
    [['Back leg', 'Harbour trousers', 'cut 2'], 'Back leg', 2, false],
    [['Fen trousers', 'PIECE: WAISTBAND', '1x'], 'Waistband', 1, false],
    [['Knee patch', 'PLACE', 'cut 2'], 'Knee patch', 2, false],
  ] as const)('%j: %s, cut %d', (lines, name, count, mirrored) => {
    const words = said(...lines)
    expect([words.name, words.count, words.mirrored]).toEqual([name, count, mirrored])
  })
  it('a size of one letter is a size', () => expect(said('Size S', 'Tab').size).toBe('S'))
  it.each([['PLACE ON FOLD'], ['cut 1 on the fold'], ['Fold'], ['Cut 1 to fold of fabric']])('“%s” lies on the fold', (text) => {
    expect(said(text).onFold).toBe(true)
  })
  it.each([['fold line'], ['fold up 3 cm'], ['hem, fold here']])('“%s” does not', (text) => {
    expect(said(text).onFold).toBe(false)
  })
})

describe('notches that are cut into an outline', () => {
  it.each([
    ['a V', 'M0 0H97L100 5L103 0H200V300H0Z', 100],
    ['a slit', 'M0 0H100V6V0H200V300H0Z', 100],
    ['a little box', 'M0 0H98V5H102V0H200V300H0Z', 100],
    ['a V outward', 'M0 0H97L100 -5L103 0H200V300H0Z', 100],
  ])('%s is taken out, and its place kept', (_, d, x) => {
    const read = readSvg(
      `<svg xmlns="http://www.w3.org/2000/svg" width="500mm" height="500mm" viewBox="0 0 500 500"><path d="${d}"/></svg>`,
    )
    const { path, places } = takeOutNotches(read.ok ? read.value.shapes[0]!.path : [])
    expect(places).toHaveLength(1)
    expect(places[0]!.x).toBeCloseTo(x, 6)
    expect(Math.abs(measureArea(path))).toBeCloseTo(60_000, 6)
    expect(nearestPlace(path, places[0]!).distanceMm).toBeLessThan(1e-6)
  })
  it('a step or a corner is none', () => {
    const read = readSvg(
      '<svg xmlns="http://www.w3.org/2000/svg" width="500mm" height="500mm" viewBox="0 0 500 500"><path d="M0 0H100V8H200V300H0Z"/></svg>',
    )
    expect(takeOutNotches(read.ok ? read.value.shapes[0]!.path : []).places).toEqual([])
  })
})
