import { describe, expect, it } from 'vitest'
import { boundsOf } from '../geometry'
import { withEntities } from './svg-entities'
import { readSvg } from './svg-in'

const svg = (inner: string, head = '') =>
  `${head}<svg xmlns="http://www.w3.org/2000/svg" width="400mm" height="400mm" viewBox="0 0 400 400">${inner}</svg>`
const read = (text: string) => {
  const drawing = readSvg(text)
  if (!drawing.ok) throw new Error(drawing.problem.message)
  return drawing.value
}
/** The boxes of all lines, mm. */
const boxes = (text: string) =>
  read(text).shapes.map(({ path }) => {
    const { minX, minY, maxX, maxY } = boundsOf(path)
    return [minX, minY, maxX - minX, maxY - minY].map((n) => Math.round(n * 100) / 100)
  })
const SQUARE = '<path d="M0 0H100V50H0Z" fill="none" stroke="#000"/>'

describe('what is drawn in a window of its own', () => {
  it('is laid into a symbol’s window, which is as large as is said where it is used', () => {
    const used = (symbol: string, use: string) => svg(`<symbol id="s" ${symbol}>${SQUARE}</symbol><use href="#s" ${use}/>`)
    expect(boxes(used('viewBox="0 0 100 100"', 'x="10" y="20" width="200" height="200"'))).toEqual([[10, 20, 200, 100]])
    expect(boxes(used('viewBox="0 0 100 100" width="50" height="50"', ''))).toEqual([[0, 0, 50, 25]])
    // Nothing said: as large as the page.
    expect(boxes(used('viewBox="0 0 100 100"', ''))).toEqual([[0, 0, 400, 200]])
    expect(boxes(used('', 'x="5"'))).toEqual([[5, 0, 100, 50]])
  })
  it('goes into a window of another shape whole, and lies in its middle', () => {
    expect(boxes(svg(`<svg x="10" y="0" width="300" height="100" viewBox="0 0 100 100">${SQUARE}</svg>`))).toEqual([[110, 0, 100, 50]])
    expect(boxes(svg(`<svg x="10" width="50" viewBox="0 0 100 100">${SQUARE}</svg>`))).toEqual([[10, 0, 50, 25]])
  })
})

describe('words that a file declares for itself', () => {
  const declared = (list: string) => `<?xml version="1.0"?><!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "x.dtd" [${list}]>`
  it('are written out, names and styles', () => {
    const text = svg(
      '<path d="M0 0H100V50H0Z" style="&st0;"/><text x="5" y="20" font-size="9">&who; &amp; back</text>',
      declared('<!ENTITY st0 "fill:none;stroke:#FF0000;">\n<!ENTITY who \'Front\'>'),
    )
    const { shapes, texts } = read(text)
    expect(shapes.map((s) => s.style)).toEqual(['#FF0000'])
    expect(texts.map((t) => t.text)).toEqual(['Front & back'])
  })
  it('are refused where they come from elsewhere, are made of others, hold marks, or would never end', () => {
    for (const list of [
      '<!ENTITY a SYSTEM "file:///etc/passwd">',
      '<!ENTITY a PUBLIC "x" "y.txt">',
      '<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">',
      '<!ENTITY % p "x">%p;',
      '<!ENTITY a "<path d=\'M0 0\'/>">',
      '<!ENTITY a "never ends',
    ]) {
      const drawing = readSvg(svg('<path d="M0 0H5"/>', declared(list)))
      expect(drawing.ok ? '' : drawing.problem.code, list).toBe('svg-unreadable')
    }
    // A heap of beginnings is looked through once.
    for (const begun of ['<!DOCTYPE a[', '<!DOCTYPE a[]', '<!ENTITY a "', "<!ENTITY a '", '<!ENTITY a   '])
      expect(withEntities(`<!ENTITY ${begun.repeat(400_000)}`, 20_000_000), begun).toBeNull()
    const heap = `<!DOCTYPE svg [<!ENTITY a "${'x'.repeat(3000)}">]><svg>${'&a;'.repeat(2000)}</svg>`
    expect(withEntities(heap, 1_000_000)).toBeNull()
    expect(withEntities(heap, 10_000_000)!.length).toBeGreaterThan(6_000_000)
  })
})

describe('a page set into a drawing', () => {
  const page = (inner: string) => `<foreignObject x="40" y="100" width="200" height="60">${inner}</foreignObject>`
  it('gives its words line by line, where they stand', () => {
    const { texts } = read(
      svg(
        SQUARE +
          page('<div xmlns="http://www.w3.org/1999/xhtml" style="font-size: 10px"><b>Front</b> leg<br/>Cut <i>2</i><p>size 12</p></div>'),
      ),
    )
    expect(texts.map((t) => t.text)).toEqual(['Front leg', 'Cut 2', 'size 12'])
    expect(texts.map((t) => Math.round(t.at.y))).toEqual([106, 118, 130])
    expect(texts.every((t) => t.at.x === 40 && t.heightMm === 10)).toBe(true)
  })
  it('stands in the middle of its box where it is centred', () => {
    const [text] = read(
      svg(SQUARE + page('<div xmlns="http://www.w3.org/1999/xhtml" style="font-size:10px;text-align:center">Sleeve</div>')),
    ).texts
    expect(text!.middle.x).toBeCloseTo(140, 6)
    expect(text!.middle.y).toBeCloseTo(130, 6)
  })
  it('is left where lines or words are offered for the same place', () => {
    const { texts } = read(
      svg(`${SQUARE}<switch>${page('<div xmlns="http://www.w3.org/1999/xhtml">Front</div>')}<text x="60" y="120">Front</text></switch>`),
    )
    expect(texts.map((t) => t.text)).toEqual(['Front'])
    const spoken = svg(
      SQUARE + '<switch><text systemLanguage="de">Vorderteil</text><text systemLanguage="en">Front</text><text>?</text></switch>',
    )
    expect(read(spoken).texts.map((t) => t.text)).toEqual(['Front'])
  })
})
