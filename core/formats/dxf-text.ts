import { applyAffine, type Affine, type Point } from '../geometry'
import { DEG } from '../units'
import type { DrawnText } from './drawing'
import { figure, isPoint, type Loose } from './dxf-loose'
import { letterWidth } from './letter-widths'

/** The height of a text here is that of its capitals; by this it is more to the size of its type. */
const TYPE_SIZE = 1.15
/** From one base line to the next, in heights. */
const LINE_STEP = 1.6
/** The middle of small letters lies this far above the base line, in heights. */
const MIDDLE_UP = 0.3
/** Words of one entity, and of one line, beyond this are no words on a pattern. */
const MOST_LETTERS = 2000
const MOST_IN_LINE = 400
/** Letters higher than this are none, in units of the file. */
const MOST_HIGH = 1e4

/** The lines of a text without the signs that set its type. */
export const plainText = (text: string): string[] =>
  text
    .replace(/\\U\+([0-9A-Fa-f]{4})/g, (_, code: string) => String.fromCharCode(Number.parseInt(code, 16)))
    .replace(/%%[cdpuo]/gi, '')
    .split(/\\P|\n/)
    .map((l) =>
      l
        .replace(/\\[A-Za-z][^;\\]*;|[{}]|\\[LlOoKk~]/g, '')
        .replace(/\s+/g, ' ')
        .trim(),
    )
    .filter((l) => l !== '')

/** Where words are held: at a point, so much of their length before it, and so many heights of their block above it. */
interface Hold {
  at: Point
  before: number
  above: (lines: number) => number
}

/** What a block of so many lines has above its last base line, in heights. */
const highOf = (lines: number): number => 1 + LINE_STEP * (lines - 1)

/** How a text of many lines is held: 1 to 9 from the top left, row by row. */
function holdOfMany(e: Loose, at: Point): Hold {
  const place = Math.min(Math.max(Math.round(figure(e.attachmentPoint, 1)), 1), 9) - 1
  const row = Math.floor(place / 3)
  return { at, before: (place % 3) / 2, above: (lines) => 1 - (highOf(lines) * row) / 2 }
}

/** Codes of the format: how a line of words is held along it, and across. */
const ALONG: Record<number, number> = { 1: 0.5, 2: 1, 4: 0.5 }
const ACROSS: Record<number, number> = { 2: 0.5, 3: 1 }
const MIDDLE_OF_ALL = 4

function holdOfOne(e: Loose, start: Point): Hold {
  const [along, across] = [figure(e.halign, 0), figure(e.valign, 0)]
  // Only words that are held otherwise than at the left of their base line are held at the second point.
  if ((along === 0 && across === 0) || !isPoint(e.endPoint) || !(along in ALONG || across in ACROSS))
    return { at: start, before: 0, above: () => 0 }
  return { at: e.endPoint, before: ALONG[along] ?? 0, above: () => (along === MIDDLE_OF_ALL ? 0.5 : (ACROSS[across] ?? 0)) }
}

/** The words of an entity, line by line, moved as its block is; places in units of the file. */
export function readDxfText(e: Loose, to: Affine, groups: string[]): DrawnText[] {
  const start = isPoint(e.startPoint) ? e.startPoint : isPoint(e.position) ? e.position : null
  if (!start || typeof e.text !== 'string') return []
  const lines = plainText(e.text.slice(0, MOST_LETTERS))
  const height = Math.min(Math.abs(figure(e.textHeight, figure(e.height, 1))), MOST_HIGH)
  const way = isPoint(e.directionVector) ? e.directionVector : null
  const turn = way ? Math.atan2(way.y, way.x) : figure(e.rotation, 0) / DEG
  const along = { x: Math.cos(turn), y: Math.sin(turn) }
  const { at, before, above } = e.type === 'MTEXT' ? holdOfMany(e, start) : holdOfOne(e, start)
  const scale = Math.sqrt(Math.abs(to.a * to.d - to.b * to.c))
  return lines.map((text, i) => {
    const down = (above(lines.length) + LINE_STEP * i - MIDDLE_UP) * height
    const long = letterWidth(text) * TYPE_SIZE * height
    const part = (k: number): Point =>
      applyAffine(to, {
        x: at.x + along.x * long * (k - before) + along.y * down,
        y: at.y + along.y * long * (k - before) - along.x * down,
      })
    return { text: text.slice(0, MOST_IN_LINE), at: part(0), middle: part(0.5), end: part(1), heightMm: height * scale, groups }
  })
}
