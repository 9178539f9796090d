import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readSvg, writeSvg } from '../formats'
import { handleBoxOf } from '../geometry'
import { layOutSheet } from '../paper'
import { checkGarment } from '../pattern'
import { draftBlouse } from '../../demo/blouse'
import { bringIn, makeDrafts } from './index'
import { draftsIn } from './test-outlines'

const svg = (inner: string, head = 'width="800mm" height="600mm" viewBox="0 0 800 600"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${head}>${inner}</svg>`

/** Two honest pieces, one with its own seam line inside, with grain and a notch. */
const front = '<g id="Front"><path d="M60 60C90 60 110 40 120 30L220 50L240 180L230 420L60 420Z"/><path id="grain" d="M110 120V360"/></g>'
const back = '<g id="Back"><path d="M400 40L500 60L520 180L510 420L400 420Z"/><path d="M410 55L492 71L508 181L500 410L410 410Z"/></g>'
const names = (text: string) =>
  draftsIn(text)
    .filter((d) => !d.aside)
    .map((d) => d.draft.name)
const asides = (text: string) => draftsIn(text).filter((d) => d.aside === 'frame').length

describe('frames and backgrounds', () => {
  it.each([
    ['a background as large as the page', '<rect width="800" height="600" fill="#fff"/>'],
    ['a background in per cent', '<rect width="100%" height="100%"/>'],
    ['a border with a margin', '<rect x="10" y="10" width="780" height="580"/>'],
    ['a double border', '<rect x="10" y="10" width="780" height="580"/><rect x="14" y="14" width="772" height="572"/>'],
    ['a background and a border', '<rect width="800" height="600"/><rect x="10" y="10" width="780" height="580"/>'],
    ['rounded corners', '<rect x="5" y="5" width="790" height="590" rx="20"/>'],
    ['a path', '<path d="M5 5H795V595H5Z"/>'],
    ['four strokes', '<path d="M5 5H795"/><path d="M795 5V595"/><path d="M795 595H5"/><path d="M5 595V5"/>'],
    ['a frame smaller than the page, by name', '<rect id="page-frame" x="20" y="20" width="600" height="450"/>'],
    ['a frame turned and scaled', '<g transform="scale(2)"><rect x="5" y="5" width="390" height="290"/></g>'],
  ])('%s is set aside, and the pieces are found, before or after them in the file', (_, frame) => {
    for (const text of [svg(frame + front + back), svg(front + back + frame)]) {
      expect(names(text).sort()).toEqual(['Back', 'Front'])
      expect(asides(text)).toBeGreaterThan(0)
    }
  })
  it('is set aside round a single piece too, and where the file states no page', () => {
    expect(names(svg(`<rect x="5" y="5" width="790" height="590"/>${front}`))).toEqual(['Front'])
    expect(names(svg(`<rect x="5" y="5" width="790" height="590"/>${front}${back}`, '')).sort()).toEqual(['Back', 'Front'])
  })
  it.each([
    [
      'a band with its seam line',
      '<g id="Band"><rect x="50" y="50" width="600" height="80"/><rect x="60" y="60" width="580" height="60"/></g>',
      ['Band'],
    ],
    [
      'a panel with two pockets on it',
      '<g id="Panel"><rect x="50" y="20" width="500" height="560"/><rect x="100" y="100" width="90" height="100"/><path d="M300 100h90v80l-45 20l-45 -20z"/></g>',
      ['Panel'],
    ],
    ['a piece that fills its page', '<g id="Belt"><rect width="800" height="600"/></g>', ['Belt']],
    [
      'a band in three sizes',
      '<g id="Size 1"><rect x="50" y="50" width="500" height="60"/></g><g id="Size 2"><rect x="45" y="48" width="520" height="64"/></g><g id="Size 3"><rect x="40" y="46" width="540" height="68"/></g>',
      null,
    ],
  ])('%s stays a piece', (_, inner, expected) => {
    expect(asides(svg(inner))).toBe(0)
    if (expected) expect(names(svg(inner))).toEqual(expected)
    else expect(names(svg(inner))).toHaveLength(1)
  })
  it('round the demo’s own sheet: every piece is found as without it', () => {
    const words = { garmentName: 'Blouse', wearerName: null, sizeName: 'one', date: '2026-01-01', changes: [], ruler: 'in' as const }
    const text = writeSvg(layOutSheet(draftBlouse(), 'one', words, 1200), 'Blouse')
    const [, x, y, w, h] = /viewBox="(\S+) (\S+) (\S+) (\S+)"/.exec(text)!
    const framed = text.replace('<title>', `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="#fff" stroke="none"/><title>`)
    expect(names(framed)).toEqual(names(text))
    expect(names(framed)).toHaveLength(4)
  })
})

describe('lines that are no lines of a pattern', () => {
  it.each([
    ['a circle of a ten-millionth', '<circle cx="5" cy="5" r="1e-7"/>'],
    ['a curve in one point', '<path d="M10 10C10 10 10 10 10 10Z"/>'],
    ['a group scaled to nothing', '<g transform="scale(0)"><rect width="300" height="400"/></g>'],
    ['a matrix of nothing', '<path transform="matrix(0 0 0 0 5 5)" d="M0 0h50v50z"/>'],
    ['a line of no length', '<line x1="5" y1="5" x2="5" y2="5"/>'],
  ])('%s beside good pieces is dropped', (_, odd) => {
    expect(names(svg(odd + front + back)).sort()).toEqual(['Back', 'Front'])
  })
  it.each([
    ['an ellipse of a thousand kilometres', '<ellipse id="sun" cx="0" cy="0" rx="1e9" ry="1e9"/>', 'sun'],
    ['a line lost far away', '<path id="lost" d="M1e12 0h50v50z"/>', 'lost'],
    ['handles far away', '<path id="wild" d="M0 0C1e6 0 0 1e6 50 50Z"/>', 'wild'],
  ])('%s is left out by name', (_, odd, name) => {
    const read = readSvg(svg(odd + front + back))
    expect(read.ok && read.value.leftOut.map((l) => l.name)).toEqual([name])
    expect(names(svg(odd + front + back)).sort()).toEqual(['Back', 'Front'])
    const alone = readSvg(svg(odd))
    expect(alone).toMatchObject({ ok: false, problem: { where: `“${name}”` } })
  })
  it('a piece 21 m from the origin is moved home with all that belongs to it', () => {
    const text = svg(`<g transform="translate(21000 -34000)">${front}</g>`)
    const [far] = draftsIn(text)
    const [near] = draftsIn(svg(front))
    expect(far!.draft.edges).toHaveLength(near!.draft.edges.length)
    const box = handleBoxOf(far!.draft.edges.flatMap((e) => [...e.path]))
    expect([box.minX, box.minY]).toEqual([0, 0])
    const grain = far!.draft.grain!
    expect(grain.from.x).toBeGreaterThan(0)
    expect(grain.to.y).toBeLessThan(box.maxY)
  })
  it('a scale that makes a piece larger than any paper is refused, with what it would be', () => {
    const read = readSvg(svg(front))
    if (!read.ok) throw new Error('unread')
    const drafts = makeDrafts(read.value, 200)
    expect(drafts).toMatchObject({ ok: false, problem: { code: 'too-large' } })
  })
})

describe('files that would take long', () => {
  const ring = (n: number, r: number) =>
    Array.from({ length: n }, (_, i) =>
      [400 + r * Math.cos((2 * Math.PI * i) / n), 300 + r * Math.sin((2 * Math.PI * i) / n)].map((v) => v.toFixed(5)).join(' '),
    )
  it('an outline drawn in ten thousand strokes, in any order, comes in as one piece without a notch', () => {
    const points = ring(10_000, 250)
    const strokes = points.map((p, i) => `<path d="M${p}L${points[(i + 1) % points.length]}"/>`)
    const mixed = strokes.map((s, i) => [(i * 7919) % strokes.length, s] as const).sort((a, b) => a[0] - b[0])
    const [one, ...more] = draftsIn(svg(mixed.map(([, s]) => s).join('')))
    expect([one!.trouble, more, one!.draft.notches]).toEqual([null, [], []])
  })
  it.each([
    ['lines from one point', (i: number) => `M400 300l${(200 * Math.cos(i)).toFixed(3)} ${(200 * Math.sin(i)).toFixed(3)}`],
    ['one line drawn again and again', () => 'M50 50L250 250'],
    ['hatching', (i: number) => `M${20 + i / 2} 20V580`],
    ['a grid', (i: number) => (i % 2 ? `M${20 + i / 2} 20V580` : `M20 ${20 + i / 3}H780`)],
  ])('hundreds of %s are no pieces, and the pieces among them are found', (_, d) => {
    const many = Array.from({ length: 600 }, (_, i) => `<path d="${d(i)}" stroke="#999"/>`).join('')
    expect(names(svg(front + back + many)).sort()).toEqual(['Back', 'Front'])
  })
  it('an outline of nine thousand points is thinned out, within a fiftieth of a millimetre', () => {
    const [one] = draftsIn(svg(`<path d="M${ring(9000, 250).join('L')}Z"/>`))
    expect(one!.trouble).toBeNull()
    const points = one!.draft.edges.flatMap((e) => e.path.map((s) => s.from))
    expect(points.length).toBeLessThan(1500)
    for (const p of points) expect(Math.abs(Math.hypot(p.x - 400, p.y - 300) - 250)).toBeLessThan(0.021)
  })
  it('one that cannot be thinned out is named as such, and the others are used', () => {
    const spikes = Array.from({ length: 2400 }, (_, i) => `${(20 + i * 0.14).toFixed(2)} ${i % 2 ? 500 : 560}`)
    const drafts = draftsIn(svg(`${back}<g id="Comb"><path d="M${spikes.join('L')}L355 40L20 40Z"/></g>`))
    expect(drafts.find((d) => d.draft.name === 'Comb')!.trouble).toMatchObject({ code: 'too-fine' })
    expect(drafts.find((d) => d.draft.name === 'Back')!.trouble).toBeNull()
  })
  it('thirty thousand closed lines are refused by number', () => {
    const rects = Array.from({ length: 15 }, (_, i) => `<rect x="${i * 50}" width="45" height="45"/>`).join('')
    const uses = Array.from({ length: 1999 }, (_, i) => `<use href="#s" y="${i * 50}"/>`).join('')
    const read = readSvg(svg(`<defs><g id="s">${rects}</g></defs>${uses}`))
    expect(read.ok && makeDrafts(read.value, 1)).toMatchObject({ ok: false, problem: { code: 'too-many' } })
  })
})

describe('whatever closed lines a drawing has', () => {
  const n = fc.integer({ min: 0, max: 700 })
  const shape = fc.oneof(
    fc.tuple(n, n, n, n).map(([x, y, w, h]) => `<rect x="${x}" y="${y}" width="${w}" height="${h}"/>`),
    fc.tuple(n, n, n).map(([x, y, r]) => `<circle cx="${x}" cy="${y}" r="${r}"/>`),
    fc.array(fc.tuple(n, n), { minLength: 3, maxLength: 9 }).map((ps) => `<polygon points="${ps.map((p) => p.join(',')).join(' ')}"/>`),
  )
  it('what comes in as a garment is a sound one, and nothing is left out without a word', () => {
    fc.assert(
      fc.property(fc.array(shape, { minLength: 1, maxLength: 7 }), (shapes) => {
        const read = readSvg(svg(shapes.join('') + front))
        if (!read.ok) return
        const brought = bringIn(read.value)
        if (!brought.ok) throw new Error(brought.problem.message)
        expect(checkGarment(brought.value.garment)).toBeNull()
        for (const { why } of brought.value.leftOut) expect(why).toMatch(/\.$/)
      }),
    )
  })
})
