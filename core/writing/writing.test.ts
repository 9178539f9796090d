import { afterAll, describe, expect, it } from 'vitest'
import { asAreas, lettersOf, type Words } from '../../demo/test-letters'
import { wordReader } from '../../scripts/core/read-words'
import { distance, line, type Path } from '../geometry'
import { bringIn, drawingOf, openFile, withWordsRead } from '../import'
import { toPathData } from '../formats'
import { drawWriting, findWriting, readWriting, stack, type WordReader } from './index'

const DEG = Math.PI / 180
const { read, end } = wordReader()
afterAll(end)

const nobody: WordReader = () => Promise.reject(new Error('nothing is to be read'))

describe('letters that are drawn as shapes', () => {
  it.each([0, 90, -90, 30, -37])('are found as one heap that runs at %s degrees', (deg) => {
    const letters = asAreas(lettersOf({ text: 'Back bodice', at: { x: 100, y: 200 }, sizeMm: 8, angleRad: deg * DEG }))
    const [heap, ...others] = findWriting(letters)
    expect(others).toEqual([])
    expect(heap!.members).toHaveLength(letters.length)
    // Either way round: which it is, is told by what makes sense.
    const off = ((((heap!.angleRad / DEG - deg) % 180) + 270) % 180) - 90
    expect(Math.abs(off)).toBeLessThan(4)
    expect(heap!.heightMm).toBeGreaterThan(4)
    expect(heap!.heightMm).toBeLessThan(7)
  })
  it('are parted where they stand far from each other, and a shape by itself is none', () => {
    const triangle: Path = [
      line({ x: 300, y: 0 }, { x: 304, y: 0 }),
      line({ x: 304, y: 0 }, { x: 302, y: 5 }),
      line({ x: 302, y: 5 }, { x: 300, y: 0 }),
    ]
    const shapes = asAreas([
      ...lettersOf({ text: 'Front', at: { x: 0, y: 0 }, sizeMm: 6 }),
      ...lettersOf({ text: 'Sleeve', at: { x: 120, y: 0 }, sizeMm: 6 }),
      triangle,
    ])
    const heaps = findWriting(shapes)
    expect(heaps).toHaveLength(2)
    expect(heaps.flatMap((h) => h.members)).not.toContain(shapes.length - 1)
  })
  it('are not looked for in a hatching of thousands', () => {
    const [letter] = lettersOf({ text: 'l', at: { x: 0, y: 0 }, sizeMm: 4 })
    const one = asAreas([letter!])[0]!
    expect(findWriting(Array.from({ length: 7000 }, () => one))).toEqual([])
  })
  it('are no dashes without a height', () => {
    const dash = (x: number): Path => [line({ x, y: 0 }, { x: x + 2, y: 0 }), line({ x: x + 2, y: 0 }, { x, y: 0 })]
    expect(findWriting(asAreas([dash(0), dash(3), dash(6)]))).toEqual([])
  })
  it('are no lines, and nothing of the size of a piece', () => {
    const lines = asAreas(lettersOf({ text: 'Front', at: { x: 0, y: 0 }, sizeMm: 6 })).map((s) => ({ ...s, isArea: false }))
    expect(findWriting(lines)).toEqual([])
    expect(findWriting(asAreas(lettersOf({ text: 'Front', at: { x: 0, y: 0 }, sizeMm: 200 })))).toEqual([])
  })
})

describe('the picture of letters', () => {
  it('has ink where they are and paper in the hole of an o', () => {
    const [heap] = findWriting(asAreas(lettersOf({ text: 'oo', at: { x: 0, y: 0 }, sizeMm: 10 })))
    const { picture, middles, placeOf } = drawWriting(heap!, false)!
    const dot = (x: number, y: number) => picture.dots[Math.round(y) * picture.width + Math.round(x)]!
    expect(dot(middles[0]!.x, middles[0]!.y)).toBe(255)
    const inked = picture.dots.filter((d) => d < 128).length / picture.dots.length
    expect(inked).toBeGreaterThan(0.05)
    expect(inked).toBeLessThan(0.4)
    // Places come back to the drawing.
    expect(placeOf(middles[0]!.x, middles[0]!.y).x).toBeGreaterThan(0)
    expect(placeOf(middles[0]!.x, middles[0]!.y).y).toBeLessThan(0)
  })
  it('is not drawn beyond the dots that it may have', () => {
    const [heap] = findWriting(asAreas(lettersOf({ text: 'Front', at: { x: 0, y: 0 }, sizeMm: 10 })))
    expect(drawWriting(heap!, false, 1000)).toBeNull()
    expect(drawWriting({ ...heap!, heightMm: 0 }, false)).toBeNull()
  })
  it('is stacked on sheets that are no larger than they may be, each picture once', () => {
    const pictures = [5, 9, 4, 7].map((height) => ({ width: 10, height, dots: new Uint8Array(10 * height).fill(height) }))
    const sheets = stack(pictures, 150)
    expect(sheets.flatMap((s) => s.from.map((f) => f.at))).toEqual([0, 1, 2, 3])
    for (const { sheet, from } of sheets) {
      expect(sheet.width * sheet.height).toBeLessThanOrEqual(150)
      for (const { at, top } of from) expect(sheet.dots[top * sheet.width]).toBe(pictures[at]!.height)
    }
  })
})

const LABELS: Words[] = [
  { text: 'Bodice front', at: { x: 40, y: 60 }, sizeMm: 7 },
  { text: 'cut 1 on the fold', at: { x: 40, y: 72 }, sizeMm: 5 },
  { text: 'Under sleeve', at: { x: 300, y: 240 }, sizeMm: 6, angleRad: -90 * DEG },
  { text: 'Waistband', at: { x: 420, y: 40 }, sizeMm: 6, angleRad: 90 * DEG, font: 'serif' },
  { text: 'Place on fold', at: { x: 500, y: 300 }, sizeMm: 5, angleRad: 180 * DEG },
  { text: 'Grain line', at: { x: 90, y: 300 }, sizeMm: 5, angleRad: -35 * DEG, font: 'serif' },
  { text: 'Size 42', at: { x: 640, y: 80 }, sizeMm: 4 },
]

describe('words that are read from their picture', () => {
  it('are what was written, where it was written, whichever way they run', async () => {
    const shapes = asAreas(LABELS.flatMap(lettersOf))
    const [found] = await readWriting([shapes], read)
    expect(found!.texts.map((t) => t.text).sort()).toEqual(LABELS.map((l) => l.text).sort())
    expect(found!.members).toHaveLength(shapes.length)
    for (const label of LABELS) {
      const { at, end: to, heightMm } = found!.texts.find((t) => t.text === label.text)!
      expect(distance(at, label.at), label.text).toBeLessThan(0.35 * label.sizeMm)
      const angle = Math.atan2(to.y - at.y, to.x - at.x)
      expect(Math.cos(angle - (label.angleRad ?? 0)), label.text).toBeGreaterThan(0.995)
      expect(heightMm / label.sizeMm, label.text).toBeGreaterThan(0.6)
      expect(heightMm / label.sizeMm, label.text).toBeLessThan(1.6)
    }
  }, 60_000)
  it('leave an arrow that stands beside them, and a row of dots, as they are drawn', async () => {
    const head: Path = [
      line({ x: 36, y: 4 }, { x: 40, y: 4 }),
      line({ x: 40, y: 4 }, { x: 38, y: 9 }),
      line({ x: 38, y: 9 }, { x: 36, y: 4 }),
    ]
    const dots = Array.from({ length: 6 }, (_, i): Path => {
      const [x, y] = [200 + i * 2, 50]
      return [line({ x, y }, { x: x + 1, y }), line({ x: x + 1, y }, { x: x + 1, y: y + 1 }), line({ x: x + 1, y: y + 1 }, { x, y })]
    })
    const words = lettersOf({ text: 'GRAIN', at: { x: 10, y: 0 }, sizeMm: 6 })
    const [found] = await readWriting([asAreas([...words, head, ...dots])], read)
    expect(found!.texts.map((t) => t.text)).toEqual(['GRAIN'])
    expect(found!.members.every((i) => i < words.length)).toBe(true)
  }, 60_000)
  it('have figures where a reader takes them for letters, and keep fractions', async () => {
    const said: Record<string, string> = {
      cutl: 'cut 1',
      'cut I on fold': 'cut 1 on fold',
      cut2: 'cut 2',
      'Pocket,/ cut 2/ size 38': 'Pocket / cut 2 / size 38',
      'allowance 5/8 in': 'allowance 5/8 in',
      'cut lining': 'cut lining',
    }
    for (const [read, meant] of Object.entries(said)) {
      const reader: WordReader = ({ width, height }) =>
        Promise.resolve([{ text: `${read}\n`, confidence: 95, box: { x0: 0, y0: 0, x1: width, y1: height } }])
      const [found] = await readWriting([asAreas(lettersOf({ text: 'words', at: { x: 0, y: 0 }, sizeMm: 5 }))], reader)
      expect(found!.texts.map((t) => t.text)).toEqual([meant])
    }
  })
  it('are asked of nobody where there is nothing like them', async () => {
    const [none] = await readWriting([[]], nobody)
    expect(none).toEqual({ texts: [], members: [] })
  })
})

/** A skirt of two pieces in a file of a converter: words as filled outlines, lines as strokes. */
function converted(labels: readonly Words[]): string {
  const piece = (x: number, w: number) =>
    `<path d="M${x} 20h${w}l40 600q${-w / 2} 20 ${-w - 40} 10z" fill="none" stroke="#000"/><path d="M${x + 60} 260v200" stroke="#000"/>`
  const letters = labels.flatMap(lettersOf).map((p) => toPathData(p, true))
  return `<svg xmlns="http://www.w3.org/2000/svg" width="800mm" height="700mm" viewBox="0 0 800 700">${piece(20, 220)}${piece(340, 240)}<g fill="#222" stroke="none">${letters.map((d) => `<path d="${d}"/>`).join('')}</g></svg>`
}

describe('a file with words drawn as shapes', () => {
  const svg = converted([
    { text: 'Skirt front', at: { x: 70, y: 200 }, sizeMm: 9 },
    { text: 'cut 1 on fold', at: { x: 70, y: 214 }, sizeMm: 6 },
    { text: 'Skirt back', at: { x: 380, y: 200 }, sizeMm: 9 },
    { text: 'cut 2', at: { x: 380, y: 214 }, sizeMm: 6 },
  ])
  it('comes in with names and counts', async () => {
    const kept = await withWordsRead(svg, read)
    const drawing = drawingOf(kept)
    if (!drawing.ok) throw new Error(drawing.problem.message)
    expect(drawing.value.shapes).toHaveLength(4)
    const brought = bringIn(drawing.value, 1)
    if (!brought.ok) throw new Error(brought.problem.message)
    expect(brought.value.garment.pieces.map((p) => [p.name, p.cut.count])).toEqual([
      ['Skirt front', 1],
      ['Skirt back', 2],
    ])
  }, 60_000)
  it('keeps nothing that a file says of itself for words', async () => {
    const sly = `${svg}\n\u0000words\n{"texts":1}`
    const opened = await openFile(new TextEncoder().encode(sly))
    expect(opened.ok && opened.value).not.toContain('\u0000')
    expect(opened.ok && drawingOf(opened.value).ok).toBeTypeOf('boolean')
  })
  it('is as it was where its words are words', async () => {
    const plain =
      '<svg xmlns="http://www.w3.org/2000/svg" width="10mm" height="10mm" viewBox="0 0 10 10"><path d="M0 0h9v9h-9z" fill="none" stroke="#000"/><text x="2" y="5">A</text></svg>'
    expect(await withWordsRead(plain, nobody)).toBe(plain)
    expect(await withWordsRead('no drawing', nobody)).toBe('no drawing')
  })
})
