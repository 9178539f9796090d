import { describe, expect, it } from 'vitest'
import { IDENTITY } from '../geometry'
import type { Loose } from './dxf-loose'
import { readDxfText } from './dxf-text'

const UP = { ...IDENTITY, d: -1 }
const entity = (of: Record<string, unknown>): Loose => ({ text: 'Coat Back', textHeight: 10, ...of }) as unknown as Loose
/** Words at 100, 50 of the file, where upward is upward. */
const read = (of: Record<string, unknown>) => readDxfText(entity(of), UP, [])
const at = { x: 100, y: 50 }

describe('words of a DXF file', () => {
  const left = read({ type: 'TEXT', startPoint: at })[0]!
  const long = left.end.x - left.at.x

  it('begin at their point', () => {
    expect(left).toMatchObject({ text: 'Coat Back', heightMm: 10, at: { x: 100, y: -53 } })
    expect(long).toBeGreaterThan(40)
    expect(left.middle.x).toBeCloseTo(100 + long / 2, 9)
  })

  it.each([
    { halign: 1, begins: 0.5, y: -53 },
    { halign: 2, begins: 1, y: -53 },
    { halign: 4, begins: 0.5, y: -48 },
    { halign: 1, valign: 2, begins: 0.5, y: -48 },
    { halign: 2, valign: 3, begins: 1, y: -43 },
    { halign: 0, valign: 3, begins: 0, y: -43 },
  ])('are held at the second point, as the file says: $halign, $valign', ({ halign, valign, begins, y }) => {
    const [text] = read({ type: 'TEXT', startPoint: { x: 7, y: 7 }, endPoint: at, halign, valign })
    expect(text!.at.x).toBeCloseTo(100 - begins * long, 9)
    expect(text!.at.y).toBeCloseTo(y, 9)
  })

  it('are held at their own point where they are fitted between two', () => {
    expect(read({ type: 'TEXT', startPoint: at, endPoint: { x: 300, y: 50 }, halign: 5 })[0]!.at.x).toBeCloseTo(100, 9)
  })

  it.each([
    [1, 0, 1],
    [2, 0.5, 1],
    [5, 0.5, -0.3],
    [9, 1, -1.6],
  ])('of several lines hang at the place %s of their block', (attachmentPoint, begins, heightsDown) => {
    const lines = read({ type: 'MTEXT', position: at, height: 10, attachmentPoint, text: 'Coat Back\\PCut 2' })
    expect(lines.map((l) => l.text)).toEqual(['Coat Back', 'Cut 2'])
    expect(lines[0]!.at.x).toBeCloseTo(100 - begins * long, 9)
    // Up from a base line to the middle of small letters, and down to the second line.
    expect(lines[0]!.at.y).toBeCloseTo(-50 + heightsDown * 10 - 3, 9)
    expect(lines[1]!.at.y - lines[0]!.at.y).toBeCloseTo(16, 9)
  })

  it('run the way that is given as a vector, and grow with their block', () => {
    const [text] = readDxfText(
      entity({ type: 'MTEXT', position: at, height: 10, directionVector: { x: 0, y: 2 } }),
      { ...UP, a: 2, d: -2 },
      [],
    )
    expect(text!.heightMm).toBeCloseTo(20, 9)
    expect(text!.end.x - text!.at.x).toBeCloseTo(0, 9)
    expect(text!.end.y).toBeLessThan(text!.at.y)
  })

  it('are none without a place, or without letters', () => {
    expect(read({ type: 'TEXT' })).toEqual([])
    expect(read({ type: 'TEXT', startPoint: at, text: undefined })).toEqual([])
  })
})
