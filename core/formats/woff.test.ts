import fontkit from '@pdf-lib/fontkit'
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { describe, expect, it } from 'vitest'
import { unpackFont } from './woff'

const packed = new Uint8Array(
  readFileSync(createRequire(import.meta.url).resolve('@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff')),
)

describe('a packed font', () => {
  it('is unpacked to the same letters, widths and joins', () => {
    const plain = unpackFont(packed)
    expect(plain.length).toBeGreaterThan(packed.length)
    const [a, b] = [fontkit.create(packed), fontkit.create(plain)]
    expect(b.characterSet).toEqual(a.characterSet)
    for (const words of ['Bodice front 3 1/2', 'AVAst fi Žluté', '“½ of 42 cm”']) {
      const [one, other] = [a.layout(words), b.layout(words)]
      expect(other.glyphs.map((g) => [g.id, g.path.toSVG()])).toEqual(one.glyphs.map((g) => [g.id, g.path.toSVG()]))
      expect(other.positions.map((p) => p.xAdvance)).toEqual(one.positions.map((p) => p.xAdvance))
    }
  })
  it('has its tables at whole words, each with the sum that it was packed with', () => {
    const plain = unpackFont(packed)
    const view = new DataView(plain.buffer)
    const count = view.getUint16(4)
    const tables = Array.from({ length: count }, (_, i) => ({
      tag: String.fromCharCode(...plain.subarray(12 + 16 * i, 16 + 16 * i)),
      sum: view.getUint32(16 + 16 * i),
      at: view.getUint32(20 + 16 * i),
      length: view.getUint32(24 + 16 * i),
    }))
    expect(tables.map((t) => t.tag)).toContain('glyf')
    for (const { tag, sum, at, length } of tables.filter((t) => t.tag !== 'head')) {
      expect(at % 4, tag).toBe(0)
      let own = 0
      for (let k = 0; k < length; k += 4) own = (own + view.getUint32(at + k)) >>> 0
      expect(own, tag).toBe(sum)
    }
  })
  it('that is not packed stays as it is', () => {
    const plain = unpackFont(packed)
    expect(unpackFont(plain)).toBe(plain)
  })
})
