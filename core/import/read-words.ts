import type { DrawnText } from '../formats'
import { hasPartWord } from './part-words'

/** What the words on a piece say of it. Null where nothing is said. */
export interface PieceWords {
  name: string | null
  /** The name has a word in it that names a part of a garment. */
  isPart: boolean
  count: number | null
  mirrored: boolean
  /** It is said to lie on the fold of the cloth. */
  onFold: boolean
  size: string | null
}

const FIGURES: Record<string, number> = { a: 1, one: 1, once: 1, two: 2, twice: 2, three: 3, four: 4, five: 5, six: 6, eight: 8 }
const FIGURE = `\\d{1,2}|${Object.keys(FIGURES).join('|')}`
const toFigure = (text: string): number => FIGURES[text.toLowerCase()] ?? Number(text)

/** “Cut 2 in from the edge” is a length, “cut 2 in the lining” and “cut 2 in velvet” are not. */
const IN_INCHES =
  'in\\b(?!\\s+(?!(?:from|along|of|below|above|beyond|outside|inside|wide|long|deep|at|on|each|all|seam|allowance)\\b)[a-z])'
/** How many are cut: “cut 2”, “2 x”, “x2”, “qty: 2”, “2 pieces”. */
const COUNTS = [
  new RegExp(`\\b(?:cut|cuts|cutting|qty|quantity|make|needed)\\b\\W{0,3}(${FIGURE})\\b(?!\\s*(?:cm|mm|${IN_INCHES}|inch|"|[./]\\d))`, 'i'),
  new RegExp(`(?<![\\d.,/])(\\d{1,2})\\s*[x×](?![\\d.]|\\s*\\d)`, 'i'),
  new RegExp(`(?<![\\d.]\\s?)[x×]\\s*(\\d{1,2})\\b(?!\\s*(?:cm|mm|${IN_INCHES}))`, 'i'),
  new RegExp(`\\b(${FIGURE})\\s+(?:pieces?|pcs?|times|off|copies)\\b`, 'i'),
]
/** Pairs: “cut 1 pair”, “a pair”, “2 pairs”, “pair”. */
const PAIRS = new RegExp(`\\b(?:(${FIGURE})\\s+)?pairs?\\b`, 'i')
const EACH_SIDE =
  /\b(?:1|one)\s*(?:[x×]\s*)?left\b.*\b(?:1|one)\s*(?:[x×]\s*)?right\b|\b(?:left|l)\s*(?:\+|&|and)\s*(?:right|r)\b|\b1\s*\+\s*1\b/i
const MIRRORED =
  /\b(?:mirror(?:ed|s)?|mirror[- ]image|revers(?:e|ed)|opposite|opposing|flip(?:ped)?|turned over|left and right|right and left)\b/i
const FOLD =
  /\b(?:on|to|along|at)\s+(?:the\s+)?fold\b|\bfold(?:ed)?\s+edge\b|^\W*(?:place\s+)?(?:on\s+)?(?:the\s+)?fold\W*$|\bfold of (?:the )?(?:cloth|fabric)\b/i
const SIZE = /\b(?:size|sz)s?\b\W{0,3}([a-z]{0,3}\d{0,3}[a-z]{0,3}(?:\s*[-–/]\s*[a-z]{0,3}\d{0,3}[a-z]{0,2})?)(?![a-z])/i
/** Cloths that are named beside a count: what is cut of the main one counts. */
const MAIN_CLOTH = /\b(?:main|self|shell|outer|fabric|cloth|fashion)\b/i
const OTHER_CLOTH = /\b(?:lining|interfacing|interlining|underlining|fusible|contrast|canvas|wadding|organza)\b/i

/** What is written on pieces and is never what they are called. */
const NO_NAME = new RegExp(
  [
    '\\b(?:grain|thread|straight of|lengthwise|warp|nap|bias)',
    '\\b(?:lengthen|shorten)\\b',
    '\\bfold\\b',
    '\\bseam allowance|\\ballowances?\\b|\\bS\\.?A\\.?\\b|\\bincluded\\b',
    '\\b(?:centre|center)[ -](?:front|back|line)\\b(?!\\s+\\w*(?:panel|facing|piece|band|skirt))|^\\W*c\\.?[fb]\\.?\\W*$',
    '\\b(?:notch|notches|match|gather|gathers|pleat|pleats|tuck|tucks|ease|dart|darts|clip|stitch|stitching|topstitch|button|buttons|buttonhole|buttonholes|zip|zipper|snap|placement|attach|join|press|turn up|hemline|hem line|waistline|waist line|bust line|bust point|hip line|apex|roll line|knee line)\\b',
    '\\b(?:print|scale|test square|page|sheet|copyright|pattern no|www|instructions?)\\b|©',
    '\\b(?:piece|pieces)\\s+\\d+\\s*(?:of|/)',
    '^\\W*(?:from|of|in|and|or|with|none|each|main|self|fabric|shell|outer|cloth|layers?|material)\\b(?![^]*\\b(?:front|back|sleeve)\\b)',
    '\\b(?:interfacing|lining|fusible)\\s*:',
    '\\bline\\W*$',
    // What stands along an edge: “side seam”, “wrist hem”, “to Back”.
    '\\b(?:seam|hem|edge|opening|inseam|outseam|neckline|armhole|armscye)\\W*$|\\b(?:front|back) (?:crotch|cap)\\W*$|^\\W*to\\b',
    '^[^a-z]*$',
    '^\\W*(?:piece|pattern)?\\s*name\\W*$',
    '^\\W*(?:up|top|bottom|down|right side|wrong side|place|place here)\\W*$',
  ].join('|'),
  'i',
)
/** Lines of the form “Material: ...” that say something else than a name. */
const ABOUT_OTHER =
  /^\s*(?:style(?: name)?|material|fabric|category|author|designer|date|creation (?:date|time)|units|annotation|description|collection|season|sample size|grading rule table|rule table|quantity|size|cut|grain(?:line)?)\s*:/i
/** A line that tells an allowance stands along its edge: “side seam · to Back · + 1.5 cm”. */
const OF_EDGE = /(?:^|[·|,;–—-]|\s)\+\s*\d[\d\s./⁄½¼¾⅛⅜⅝⅞]*(?:mm|cm|in\b|inch|["”])|\bno allowance\b/i
/** A number that pieces of a pattern carry before their name: “3.”, “No. 3”, “Piece 3:”, “A2 –”, “#3”. */
const NUMBER =
  /^\s*(?:(?:no|nr|nº|pc|pcs|piece|part|pattern piece)\b\.?\s*|#\s*)?[a-z]?\d{1,3}[a-z]?\s*[.:)\]–—-]*\s+(?=[a-z])|^\s*(?:piece|part|pattern piece|name)\s*:\s*|^\s*[a-z]\s*[.:)–—-]\s+(?=[a-z])/i
const PARTED = /\s+[-–—|·•/]+\s+|\s*[|·•;\n]\s*|\s+[–—]\s*|,\s+|\s*:\s+|\s*[([]\s*|\s*[)\]]\s*/

/** A letter by itself tells one of several: “Pocket bag C”, “Front A”. */
const LETTER = /(?<![\p{L}’'])(?:[b-hj-z](?!\p{L})|a(?=\W*$))/gu

/** Words all in capitals are written as a sentence. */
const calm = (text: string): string =>
  text === text.toUpperCase() && /[A-Z]{3}/.test(text)
    ? text.charAt(0) +
      text
        .slice(1)
        .toLowerCase()
        .replace(LETTER, (letter) => letter.toUpperCase())
    : text

/** A part of a line without what says how it is cut: what is left of it may be a name. */
function nameIn(part: string): string | null {
  const left = part
    .replace(NUMBER, '')
    .replace(new RegExp(`\\b(?:cut|make)\\b\\W{0,3}(?:${FIGURE})\\b.*$`, 'i'), '')
    .replace(new RegExp(`(?:^|\\s)(?:\\d{1,2}\\s*[x×]|[x×]\\s*\\d{1,2})(?:\\s.*)?$`, 'i'), '')
    .replace(SIZE, '')
    .replace(/\b(?:on|to)\s+(?:the\s+)?fold\b.*$/i, '')
    .replace(/^[\s"'“”.,:;-]+|[\s"'“”.,:;-]+$/g, '')
  if (left.length < 2 || NO_NAME.test(left) || MIRRORED.test(left) || PAIRS.test(left)) return null
  return /[a-z]{2}/i.test(left) ? calm(left).slice(0, 80) : null
}

/** The count that a line gives, of the main cloth. */
function countIn(text: string): { count: number; isMain: boolean; isOther: boolean; isPair: boolean } | null {
  const own = text.split(/[,;+&]|\band\b/i)
  const found = own.flatMap((part, i) => {
    const pair = PAIRS.exec(part)
    const plain = COUNTS.map((c) => c.exec(part)).find((m) => m !== null)
    // “cut 2, 2 lining”: a figure alone counts where a cloth is named behind it.
    const bare = i > 0 && OTHER_CLOTH.test(part) ? /\b(\d{1,2})\b/.exec(part) : null
    if (!pair && !plain && !bare) return []
    const figure = toFigure((pair?.[1] ?? plain?.[1] ?? bare?.[1]) || '1')
    if (figure < 1 || figure > 40) return []
    return [{ count: pair ? figure * 2 : figure, isMain: MAIN_CLOTH.test(part), isOther: OTHER_CLOTH.test(part), isPair: pair !== null }]
  })
  return found.find((f) => f.isMain) ?? found.find((f) => !f.isOther) ?? found[0] ?? null
}

/** What the sheet says often: it is rather the pattern's own title than what one piece is called. */
export interface Repeated {
  /** Lines and parts of lines, as partsOf gives them, that are no piece's name. */
  titles: ReadonlySet<string>
  /** On how many pieces, and beside them, a part of a line is written. */
  times: ReadonlyMap<string, number>
}

/** The parts of a line of words, each a phrase: “Harbour coat – Front – cut 2” has three. */
export const partsOf = (text: string): string[] =>
  text
    .split(PARTED)
    .map((part) => part.trim().toLowerCase())
    .filter((part) => part !== '')

const isTitle = (part: string, { titles }: Repeated) => titles.has(part.trim().toLowerCase())
const timesOf = (part: string, { times }: Repeated) => times.get(part.trim().toLowerCase()) ?? 1

/** What a whole garment is called: “Harbour trousers”; “Skirt” alone may say which front it is. */
const WHOLE_GARMENT = /\s(?:skirt|trousers|pants|shorts|breeches|apron|cape|hood|overskirt|underskirt)$/i

/**
 * What speaks for a name: a word for a part of a garment, less one for a whole. Against it that it is written in other places, too: a
 * title, where it names no part; a part is one of several alike.
 */
const PART_SCORE = 1000
const WHOLE_SCORE = 500
const AGAIN_TITLE = 1500
const AGAIN_PART = 150
const MOST_AGAIN_PART = 600

function nameScore(name: string, again: number): number {
  if (hasPartWord(name) && !WHOLE_GARMENT.test(name)) return PART_SCORE - Math.min(MOST_AGAIN_PART, AGAIN_PART * again)
  return (hasPartWord(name) ? WHOLE_SCORE : 0) - AGAIN_TITLE * again
}

/** Which of two alike a piece is: no name by itself. */
const WHICH = /^(?:left|right|upper|under|lower|top|outer|inner|small|large)$/i

/** Both parts of “Front – side panel” and “Front (left)”, where there is more than one front. */
function withItsOther(best: string, line: string, repeated: Repeated): string {
  if (timesOf(best, repeated) === 1) return best
  const parts = line.split(PARTED).flatMap((part) => (isTitle(part, repeated) ? [] : (nameIn(part) ?? [])))
  const named = parts.filter((part) => hasPartWord(part) || WHICH.test(part))
  return named.length === 2 && named.includes(best) ? joined(named[0]!, named[1]!) : best
}

const joined = (a: string, b: string) => `${a} ${b.charAt(0).toLowerCase()}${b.slice(1)}`

/** “Quantity: 1,1” of the exchange standard: so many as drawn, so many mirrored. */
function eachWayIn(text: string): ReturnType<typeof countIn> {
  const [, asDrawn, mirrored] = /^\s*(?:quantity|qty)\s*:\s*(\d{1,2})\s*,\s*(\d{1,2})\s*$/i.exec(text) ?? []
  const count = Number(asDrawn ?? 0) + Number(mirrored ?? 0)
  return count > 0 ? { count, isMain: false, isOther: false, isPair: Number(asDrawn) > 0 && Number(mirrored) > 0 } : null
}

/**
 * What the words on a piece say: its name, how many are cut and whether half of them mirrored, fold, size. A name is the
 * largest text with a word for a part of a garment, else the largest that says nothing else; rather one that is written here alone.
 *
 * @param texts lines of words that lie on the piece
 */
export function readWords(texts: readonly DrawnText[], repeated: Repeated): PieceWords {
  const words: PieceWords = { name: null, isPart: false, count: null, mirrored: false, onFold: false, size: null }
  let best: { name: string; score: number; text: string } | null = null
  let counted: ReturnType<typeof countIn> = null
  const parts: { name: string; heightMm: number }[] = []
  for (const { text, heightMm } of texts) {
    if (FOLD.test(text) && !/\bfold\s*(?:line|up|here|back|under)\b/i.test(text)) words.onFold = true
    if (MIRRORED.test(text) || EACH_SIDE.test(text)) words.mirrored = true
    const size = SIZE.exec(text)?.[1]?.trim()
    if (size && words.size === null && !/^(?:chart|key)$/i.test(size)) words.size = size
    const count = eachWayIn(text) ?? countIn(text)
    if (count && (!counted || (counted.isOther && !count.isOther) || (count.isMain && !counted.isMain))) counted = count
    if (EACH_SIDE.test(text) && !count) counted = { count: 2, isMain: false, isOther: false, isPair: true }
    if (isTitle(text, repeated) || ABOUT_OTHER.test(text) || OF_EDGE.test(text)) continue
    for (const [i, part] of text.split(PARTED).entries()) {
      const name = isTitle(part, repeated) ? null : nameIn(part)
      if (!name) continue
      const again = timesOf(part, repeated) - 1
      const score = nameScore(name, again) + heightMm * 4 - i * 6 - (/\d/.test(name) ? 3 : 0)
      if (!best || score > best.score) best = { name, score, text }
      if (hasPartWord(name) && /^[^\d:,;/()–—-]+$/.test(text) && !WHOLE_GARMENT.test(name)) parts.push({ name, heightMm })
    }
  }
  if (counted) {
    words.count = counted.count
    if (counted.isPair) words.mirrored = true
    if (words.mirrored && words.count === 1 && EACH_SIDE.test(texts.map((t) => t.text).join(' '))) words.count = 2
  }
  if (!best) return words
  // “Bodice” and “Back”, a line each and alike, are one name.
  const alike = parts.filter((p) => p.name.split(' ').length <= 2 && Math.abs(p.heightMm - parts[0]!.heightMm) < 0.1 * p.heightMm)
  const isOne = alike.length === 2 && alike[0]!.name !== alike[1]!.name && alike.some((p) => p.name === best.name)
  const name = isOne ? joined(alike[0]!.name, alike[1]!.name) : withItsOther(best.name, best.text, repeated)
  return { ...words, name, isPart: hasPartWord(name) }
}

/** Does a text say how many are cut, or that it lies on the fold? */
export const saysHowCut = (text: string): boolean => FOLD.test(text) || countIn(text) !== null

/** Does a text name a piece, or say how many are cut? Words at its fold do neither. */
export const namesOrCounts = (text: string): boolean =>
  countIn(text) !== null || (hasPartWord(text) && nameIn(text.split(PARTED)[0]!) !== null)

/** Does a text say how its piece is cut, or name a part of a garment? Then what it lies on is a piece. */
export const speaksOfPiece = (text: string): boolean =>
  /\bcut\s*:?\s*(?:\d|one|two|four|a\b|on)/i.test(text) || FOLD.test(text) || (hasPartWord(text) && nameIn(text.split(PARTED)[0]!) !== null)
