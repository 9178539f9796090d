import { describe, expect, it } from 'vitest'
import { line } from '../geometry'
import type { DrawnShape, DrawnText } from './drawing'
import { letterWidth } from './letter-widths'
import { wholeTexts } from './whole-texts'

/** A text at a place, turned, its letters so much wider than usual. */
function textAt(text: string, x: number, y: number, { turnDeg = 0, heightMm = 5, groups = [] as string[] } = {}): DrawnText {
  const turn = (turnDeg * Math.PI) / 180
  const long = letterWidth(text) * heightMm
  const at = (part: number) => ({ x: x + Math.cos(turn) * long * part, y: y + Math.sin(turn) * long * part })
  return { text, at: at(0), middle: at(0.5), end: at(1), heightMm, groups }
}

/** A line of words, part by part, in type that is so much wider than usual. */
function written(words: string, part: RegExp, { x = 0, y = 0, turnDeg = 0, wide = 1, groups = [] as string[] } = {}): DrawnText[] {
  const turn = (turnDeg * Math.PI) / 180
  return [...words.matchAll(part)].map((m) => {
    const along = letterWidth(words.slice(0, m.index)) * 5 * wide
    return textAt(m[0], x + along * Math.cos(turn), y + along * Math.sin(turn), { turnDeg, groups })
  })
}
/** Lines of two groups. */
const LINES: DrawnShape[] = ['Layer 1', 'Layer 2'].map((group, index) => ({
  name: group,
  groups: [group],
  path: [line({ x: 0, y: 0 }, { x: 100, y: 0 })],
  closed: false,
  index,
  style: '',
  isDashed: false,
  isArea: false,
  hasMarkers: false,
}))
const LETTERS = /\S/g
const WORDS = /\S+/g
const said = (texts: readonly DrawnText[]): string[] => wholeTexts(texts, LINES).map((t) => t.text)

describe('words of a file that gives them in parts', () => {
  it.each([0, 30, 90, 180, 270, 359.9])('are put together where they run at %s degrees', (turnDeg) => {
    const texts = [
      ...written('Skirt Front – cut 1 on fold', LETTERS, { turnDeg }),
      ...written('Lengthen or shorten here', LETTERS, { x: 300, turnDeg }),
    ]
    expect(said(texts)).toEqual(['Skirt Front – cut 1 on fold', 'Lengthen or shorten here'])
  })

  it.each([0.85, 1, 1.2, 1.35])('are put together in type that is %s times as wide as usual, letters and words', (wide) => {
    const lines = ['Back Yoke / cut 2 / size 38', 'Patch Pocket', 'seam allowance 1 cm included']
    for (const part of [LETTERS, WORDS]) expect(said(lines.flatMap((l, k) => written(l, part, { y: 20 * k, wide })))).toEqual(lines)
  })

  it('are put together where each is in a group of its own, which holds no line', () => {
    const letters = written('Back Leg', LETTERS)
    expect(said(letters.map((l, k) => ({ ...l, groups: ['Layer 1', `text${k}`] })))).toEqual(['Back Leg'])
  })

  it('reach from the beginning of the first part to the end of the last', () => {
    const parts = written('Upper Collar', WORDS)
    const [whole] = wholeTexts(parts, LINES)
    expect(whole!.at).toEqual(parts[0]!.at)
    expect(whole!.end).toEqual(parts[1]!.end)
    expect(whole!.middle.x).toBeCloseTo((parts[0]!.at.x + parts[1]!.end.x) / 2, 9)
  })

  it('stay apart where they are of other groups, heights or lines, or far away', () => {
    const next = letterWidth('Front ') * 5
    for (const other of [
      textAt('Back', next, 0, { groups: ['Layer 2'] }),
      textAt('Back', next, 0, { heightMm: 7 }),
      textAt('Back', next, 3),
      textAt('Back', next + 12, 0),
    ])
      expect(said([textAt('Front', 0, 0), other])).toEqual(['Front', 'Back'])
  })

  it('leave figures side by side alone, but for those behind a word', () => {
    const sizes = written('38 40 42 44', WORDS)
    expect(said(sizes)).toEqual(['38', '40', '42', '44'])
    expect(said(written('Sizes 38 40 42', WORDS, { y: 50 }))).toEqual(['Sizes 38 40 42'])
    expect(said(written('38 40 42 44', LETTERS))).toEqual(['38', '40', '42', '44'])
  })

  it('leave texts of several words as they are', () => {
    const texts = [textAt('Cut 2 mirrored', 0, 0), textAt('main fabric', letterWidth('Cut 2 mirrored ') * 5, 0)]
    expect(wholeTexts(texts, LINES)).toEqual(texts)
  })

  it('are there once where they are written twice at one place', () => {
    const letters = written('Hip Pocket', LETTERS)
    expect(said(letters.flatMap((l) => [l, { ...l, at: { x: l.at.x + 0.1, y: l.at.y } }]))).toEqual(['Hip Pocket'])
  })
})
