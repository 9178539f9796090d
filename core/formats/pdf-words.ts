import { applyAffine, chain, distance, IDENTITY, type Affine, type Point } from '../geometry'
import type { DrawnText } from './drawing'

/** Where words stand next, as a PDF keeps it. */
export interface TextState {
  matrix: Affine
  line: Affine
  size: number
  charGap: number
  wordGap: number
  wide: number
  rise: number
  leading: number
}
export const TEXT_STATE: TextState = { matrix: IDENTITY, line: IDENTITY, size: 1, charGap: 0, wordGap: 0, wide: 1, rise: 0, leading: 0 }

/** What the library gives of a letter: its sign, and its width in thousandths of the size. */
interface Glyph {
  unicode?: string
  width?: number
  isSpace?: boolean
}

/** A gap between letters that is a space, in thousandths of the size. */
const SPACE = 180

export const movedBy = (m: Affine, x: number, y: number): Affine => chain(m, { ...IDENTITY, e: x, f: y })

/** Words of one show: the text, where it stands on the page, and the state behind it. */
export function showWords(glyphs: readonly unknown[], state: TextState, to: Affine): { text: DrawnText | null; state: TextState } {
  let x = 0
  let text = ''
  for (const g of glyphs) {
    if (typeof g === 'number') {
      x -= (g / 1000) * state.size * state.wide
      if (-g > SPACE && text !== '' && !text.endsWith(' ')) text += ' '
      continue
    }
    const { unicode = '', width = 0, isSpace = false } = (g ?? {}) as Glyph
    text += unicode
    x += (((Number.isFinite(width) ? width : 0) / 1000) * state.size + state.charGap + (isSpace ? state.wordGap : 0)) * state.wide
  }
  const here = chain(to, state.matrix)
  const at = (part: number): Point => applyAffine(here, { x: x * part, y: state.rise + state.size * 0.3 })
  const heightMm = Math.abs(state.size) * Math.hypot(here.c, here.d)
  const words = text.replace(/\s+/g, ' ')
  const isSound = Number.isFinite(heightMm) && [0, 1].every((part) => Number.isFinite(at(part).x + at(part).y))
  return {
    text: words.trim() === '' || !isSound ? null : { text: words, at: at(0), middle: at(0.5), end: at(1), heightMm, groups: [] },
    state: { ...state, matrix: movedBy(state.matrix, x, 0) },
  }
}

/** Parts of words that follow each other on one base line are one line of words. */
export function toLines(parts: readonly DrawnText[]): DrawnText[] {
  const lines: DrawnText[] = []
  for (const part of parts) {
    const last = lines[lines.length - 1]
    if (last && goesOn(last, part)) {
      const gap = distance(last.end, part.at)
      const between = gap > part.heightMm * 0.15 && !last.text.endsWith(' ') && !part.text.startsWith(' ') ? ' ' : ''
      last.text = `${last.text}${between}${part.text}`
      last.end = part.end
      last.middle = { x: (last.at.x + part.end.x) / 2, y: (last.at.y + part.end.y) / 2 }
    } else lines.push({ ...part })
  }
  return lines.map((l) => ({ ...l, text: l.text.replace(/\s+/g, ' ').trim().slice(0, 400) }))
}

/** Words of one line are as high as each other to this part. */
const SAME_HEIGHT = 0.05

/** Does a part stand right behind another, on its base line and of its size? */
function goesOn(a: DrawnText, b: DrawnText): boolean {
  const long = distance(a.at, a.end)
  if (long === 0 || Math.abs(a.heightMm - b.heightMm) > SAME_HEIGHT * a.heightMm) return false
  const along = { x: (a.end.x - a.at.x) / long, y: (a.end.y - a.at.y) / long }
  const d = { x: b.at.x - a.end.x, y: b.at.y - a.end.y }
  const [ahead, aside] = [d.x * along.x + d.y * along.y, d.y * along.x - d.x * along.y]
  return Math.abs(aside) < 0.15 * a.heightMm && ahead > -0.3 * a.heightMm && ahead < 0.9 * a.heightMm
}
