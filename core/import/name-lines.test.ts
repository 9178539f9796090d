import { describe, expect, it } from 'vitest'
import type { DrawnText } from '../formats'
import { line, type Path, type Point } from '../geometry'
import { nameLines, roleOfLine } from './name-lines'

const from = (x: number, y: number, x2: number, y2: number): Path => [line({ x, y }, { x: x2, y: y2 })]
/** Words of so many millimetres, from a place on, turned to the right. */
function words(text: string, at: Point, wide: number, turnedRad = 0): DrawnText {
  const to = (mm: number): Point => ({ x: at.x + mm * Math.cos(turnedRad), y: at.y + mm * Math.sin(turnedRad) })
  return { text, at, middle: to(wide / 2), end: to(wide), heightMm: 4, groups: [] }
}
const GRAIN = { from: { x: 50, y: 0 }, to: { x: 50, y: 400 } }

describe('a line within a piece', () => {
  const waist = { name: '', path: from(0, 200, 180, 200) }
  const upright = { name: 'Layer 2', path: from(90, 20, 90, 180) }

  it('is called by the words that run along it, the nearest of several', () => {
    const texts = [
      words('WAISTLINE', { x: 40, y: 197 }, 30),
      words('hip line', { x: 40, y: 190 }, 25),
      words('roll line', { x: 87, y: 120 }, 25, -Math.PI / 2),
    ]
    expect(nameLines([waist, upright], texts).map((l) => l.name)).toEqual(['WAISTLINE', 'roll line'])
  })

  it.each([
    ['words that stand across it', words('waist line', { x: 40, y: 199 }, 30, Math.PI / 2)],
    ['words further off', words('waist line', { x: 40, y: 170 }, 30)],
    ['how the piece is cut', words('Cut 1 on the fold line', { x: 40, y: 197 }, 40)],
    ['what stands on the paper', words('Page 3, cut along the line', { x: 40, y: 197 }, 60)],
    ['a name', words('Coat front', { x: 40, y: 197 }, 40)],
  ])('is not called by %s', (_, text) => {
    expect(nameLines([waist], [text])[0]!.name).toBe('line 1')
  })

  it('keeps the name that the file gives it alone, and none that it gives to each', () => {
    const [own, other] = [
      { name: 'elbow', path: from(0, 50, 90, 50) },
      { name: 'inner line', path: from(0, 90, 90, 90) },
    ]
    const texts = [words('hip line', { x: 10, y: 49 }, 25), words('knee line', { x: 10, y: 88 }, 25)]
    expect(nameLines([own, other], texts).map((l) => l.name)).toEqual(['elbow', 'knee line'])
  })

  it('is not called what the piece itself is, by their common group', () => {
    const middle = { name: 'front', path: from(50, 0, 50, 400) }
    const along = [words('CENTRE FRONT', { x: 54, y: 100 }, 40, Math.PI / 2)]
    expect(nameLines([middle], along, new Set(['front']))[0]!.name).toBe('CENTRE FRONT')
    expect(nameLines([middle], [], new Set(['front']))[0]!.name).toBe('line 1')
  })

  it.each<[string, Path, string]>([
    ['LENGTHEN / SHORTEN HERE', from(0, 80, 90, 80), 'shorten'],
    ['Waistline', from(0, 80, 90, 80), 'waist'],
    ['natural waist', from(0, 80, 90, 84), 'waist'],
    ['bust line', from(0, 80, 90, 80), 'bust'],
    ['Hip', from(0, 80, 90, 80), 'hip'],
    ['high hip', from(0, 80, 90, 80), 'other'],
    ['knee', from(0, 80, 90, 80), 'knee'],
    ['Upper arm', from(0, 80, 90, 80), 'bicep'],
    ['waist dart', from(0, 80, 90, 80), 'other'],
    ['waist stay', from(0, 80, 90, 80), 'other'],
    ['waist line', from(40, 80, 40, 180), 'other'],
    ['centre front', from(40, 80, 40, 180), 'centre'],
    ['C.B.', from(40, 80, 40, 180), 'centre'],
    ['centre front', from(0, 80, 90, 80), 'other'],
    ['roll line', from(0, 80, 90, 160), 'other'],
  ])('that is called “%s” is what it says, where it runs so', (name, path, role) => {
    expect(roleOfLine(name, path, GRAIN)).toBe(role)
  })
})
