import type { DrawnShape, DrawnText } from '../formats'
import { mix } from '../geometry'
import { drawWriting, stack, type Drawn, type GreyPicture } from './draw-writing'
import { findWriting, type Writing } from './find-writing'

/** A line of words as a reader of pictures finds it: where its letters are, dots, and how sure it is, 0 to 100. */
export interface ReadLine {
  text: string
  confidence: number
  box: { x0: number; y0: number; x1: number; y1: number }
}

/** Reads the words on a picture in grey. */
export type WordReader = (picture: GreyPicture) => Promise<ReadLine[]>

/** What was read of a drawing: words, and the shapes that they were drawn by, by their places in the list. */
export interface ReadWriting {
  texts: DrawnText[]
  members: number[]
}

/** A line that is read with less is none, of 100. */
const SURE = 55
/** What runs level, and stands on its lines, is turned over only where it makes no sense as it stands. */
const LEVEL_RAD = Math.PI / 6
/** A capital is this part of the size of letters. */
const CAPITAL_PART = 0.72
/** Letters below their line reach down by so much of a capital’s height. */
const BELOW = 0.28
const HANGS = /[gjpqy,;()]/

interface Try {
  writing: Writing
  drawn: Drawn
  lines: ReadLine[]
}

/** One letter by itself may be the head of an arrow. */
const isWords = ({ text, confidence }: ReadLine) => confidence >= SURE && (text.match(/[\p{L}\p{N}]/gu)?.length ?? 0) >= 2
/** How much of a try makes sense: letters, by how sure they are. */
const senseOf = ({ lines }: Try) => lines.filter(isWords).reduce((sum, l) => sum + l.text.length * (l.confidence - SURE), 0)

/** Does something read with less than this make no sense the way it was turned? Words upside down are read as other words. */
const CLEAR = 88
const isDoubtful = (t: Try | undefined) => !t || t.lines.some((line) => line.confidence < CLEAR)

/** What is taken for another sign where a figure belongs, and a comma before a stroke that is none of a fraction. */
const MISREAD: [RegExp, string][] = [
  [/\b(cut|size|sizes) ?[lI|!](?![\p{L}\p{N}])/giu, '$1 1'],
  [/\b(cut|size)(\d)/giu, '$1 $2'],
  [/,? ?\/(?!\d) ?/g, ' / '],
  [/[‘’']{2}|[“”]/g, '"'],
]
const mended = (text: string) => MISREAD.reduce((now, [from, to]) => now.replace(from, to), text.trim())

/** Does a letter lie in a line that was read? An arrow that stands beside words stays. */
const isIn = ({ x, y }: { x: number; y: number }, { box }: ReadLine) => x >= box.x0 && x <= box.x1 && y >= box.y0 && y <= box.y1

/** A line that was read, as words on the drawing. */
function textOf(line: ReadLine, { drawn, writing }: Try, groups: string[]): DrawnText {
  const { x0, x1, y0, y1 } = line.box
  const text = mended(line.text)
  const high = y1 - y0
  const base = HANGS.test(text) ? y1 - (high * BELOW) / (1 + BELOW) : y1
  const [at, end] = [drawn.placeOf(x0, base), drawn.placeOf(x1, base)]
  const heightMm = Math.max((base - y0) * drawn.mmPerDot, writing.heightMm / 2) / CAPITAL_PART
  return { text, at, middle: mix(at, end, 0.5), end, heightMm, groups }
}

async function readAll(tries: readonly Omit<Try, 'lines'>[], read: WordReader): Promise<Try[]> {
  const lines: ReadLine[][] = tries.map(() => [])
  for (const { sheet, from } of stack(tries.map((t) => t.drawn.picture)))
    for (const line of await read(sheet)) {
      const middle = (line.box.y0 + line.box.y1) / 2
      const own = [...from].reverse().find((f) => f.top <= middle)
      if (!own) continue
      const { x0, x1, y0, y1 } = line.box
      lines[own.at]!.push({ ...line, box: { x0, x1, y0: y0 - own.top, y1: y1 - own.top } })
    }
  return tries.map((t, i) => ({ ...t, lines: lines[i]! }))
}

/** So many heaps and letters of a file are read at the most: no pattern has more, and each takes its time. */
const MOST_HEAPS = 600
const MOST_LETTERS = 12_000
/** Their pictures have no more dots together: half a minute of reading. */
const MOST_DOTS = 40_000_000

/** The heaps of letters on each page, as many as are read. */
function heapsOn(pages: readonly (readonly DrawnShape[])[]): { page: number; writing: Writing }[] {
  const found: { page: number; writing: Writing }[] = []
  let letters = 0
  for (const [page, shapes] of pages.entries())
    for (const writing of findWriting(shapes)) {
      letters += writing.members.length
      if (found.length === MOST_HEAPS || letters > MOST_LETTERS) return found
      found.push({ page, writing })
    }
  return found
}

/**
 * Reads the words that drawings have as shapes. What makes no sense, as a row of dots does not, stays as it is drawn. The reader is
 * asked for nothing where there is nothing that looks like words.
 *
 * @param pages all shapes of each drawing, or of each page of one
 * @returns what was read of each page
 */
export async function readWriting(pages: readonly (readonly DrawnShape[])[], read: WordReader): Promise<ReadWriting[]> {
  const found = heapsOn(pages)
  let dots = 0
  const drawnAs = (writing: Writing, over: boolean) => {
    const drawn = drawWriting(writing, over, MOST_DOTS - dots)
    dots += drawn ? drawn.picture.width * drawn.picture.height : 0
    return drawn ? [{ writing, drawn }] : []
  }
  const isLevel = (w: Writing) => Math.abs(w.angleRad) < LEVEL_RAD && !w.isOver
  const best = new Map<Writing, Try>()
  const keepBest = (tries: readonly Try[]) => {
    for (const t of tries) if (senseOf(t) > (best.has(t.writing) ? senseOf(best.get(t.writing)!) : 0)) best.set(t.writing, t)
  }
  keepBest(
    await readAll(
      found.flatMap(({ writing: w }) => [...drawnAs(w, false), ...(isLevel(w) ? [] : drawnAs(w, true))]),
      read,
    ),
  )
  keepBest(
    await readAll(
      found.flatMap(({ writing: w }) => (isLevel(w) && isDoubtful(best.get(w)) ? drawnAs(w, true) : [])),
      read,
    ),
  )
  return pages.map((shapes, page) => {
    const own = found.flatMap((f) => (f.page === page ? (best.get(f.writing) ?? []) : []))
    return {
      texts: own.flatMap((t) => t.lines.filter(isWords).map((line) => textOf(line, t, shapes[t.writing.members[0]!]!.groups))),
      members: own.flatMap(({ writing, drawn, lines }) => {
        const words = lines.filter(isWords)
        return writing.members.filter((_, i) => words.some((line) => isIn(drawn.middles[i]!, line)))
      }),
    }
  })
}
