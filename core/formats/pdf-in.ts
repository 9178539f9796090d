import type { PDFPageProxy } from 'pdfjs-dist/legacy/build/pdf.mjs'
import {
  applyAffine,
  chain,
  cubic,
  distance,
  handleBoxOf,
  IDENTITY,
  line,
  pointsOf,
  type Affine,
  type Path,
  type Point,
  type Segment,
} from '../geometry'
import { ok, refuse, type Result } from '../result'
import { JOIN_MM } from '../tolerances'
import { INCH_MM } from '../units'
import type { DrawnShape, DrawnText } from './drawing'
import { movedBy, showWords, TEXT_STATE, toLines, type TextState } from './pdf-words'

/** One page of a PDF, millimetres from its upper left corner. */
export interface PdfPage {
  /** From 1. */
  number: number
  width: number
  height: number
  shapes: DrawnShape[]
  texts: DrawnText[]
  /** Pictures on it: a page that has nothing else was scanned. */
  pictures: number
}

const MAX_BYTES = 60_000_000
const MOST_PAGES = 400
const MAX_SEGMENTS = 400_000
const MAX_SHAPES = 60_000
const DEEPEST = 40

const bad = (where: string, message: string): Result<never> =>
  refuse('pdf-unreadable', where, message, 'Save or print it to a PDF again; nothing was changed here.')

/** Told how many of the pages have been read. */
export type PageProgress = (done: number, of: number) => void

interface GraphicsState {
  to: Affine
  stroke: string
  fill: string
  dashed: boolean
  dashes: string
  text: TextState
}

type Ops = Record<string, number>

/** The parts of a path as the library packs them: 0 move, 1 line, 2 cubic, 3 quadratic, 4 close. */
function unpack(data: ArrayLike<number>, to: Affine): { path: Path; closed: boolean }[] {
  const strokes: { path: Path; closed: boolean }[] = []
  let run: Segment[] = []
  let at: Point = { x: 0, y: 0 }
  let start = at
  const point = (i: number): Point => applyAffine(to, { x: data[i]!, y: data[i + 1]! })
  const end = (closed: boolean) => {
    if (run.length > 0) strokes.push({ path: run, closed })
    run = []
  }
  const go = (q: Point) => {
    if (distance(at, q) > 0) run.push(line(at, q))
    at = q
  }
  for (let i = 0; i < data.length;) {
    const op = data[i++]
    if (op === 0) {
      end(false)
      at = start = point(i)
      i += 2
    } else if (op === 1) {
      go(point(i))
      i += 2
    } else if (op === 2) {
      const [c1, c2, q] = [point(i), point(i + 2), point(i + 4)]
      run.push(cubic(at, c1, c2, q))
      at = q
      i += 6
    } else if (op === 3) {
      const [c, q] = [point(i), point(i + 2)]
      const third = (p: Point): Point => ({ x: p.x + ((c.x - p.x) * 2) / 3, y: p.y + ((c.y - p.y) * 2) / 3 })
      run.push(cubic(at, third(at), third(q), q))
      at = q
      i += 4
    } else if (op === 4) {
      go(start)
      end(true)
      at = start
    } else return strokes
  }
  end(false)
  return strokes
}

const isNumbers = (x: unknown): x is ArrayLike<number> => Array.isArray(x) || (ArrayBuffer.isView(x) && !(x instanceof DataView))
const matrixOf = (x: unknown): Affine | null => {
  if (!isNumbers(x) || x.length < 6) return null
  const [a, b, c, d, e, f] = Array.from(x)
  return [a, b, c, d, e, f].every(Number.isFinite) ? { a: a!, b: b!, c: c!, d: d!, e: e!, f: f! } : null
}

/** What sets where and how words stand. */
const TEXT_OPS = [
  'beginText',
  'setTextMatrix',
  'moveText',
  'setLeadingMoveText',
  'setLeading',
  'nextLine',
  'setFont',
  'setCharSpacing',
  'setWordSpacing',
  'setHScale',
  'setTextRise',
] as const
const MOST_LETTERS = 2000

function moved(text: TextState, op: (typeof TEXT_OPS)[number], args: readonly unknown[]): TextState {
  const [a, b] = args.map((x) => (typeof x === 'number' && Number.isFinite(x) ? x : 0))
  const onto = (line: Affine): TextState => ({ ...text, line, matrix: line })
  switch (op) {
    case 'beginText':
      return onto(IDENTITY)
    case 'setTextMatrix':
      return onto(matrixOf(args.length === 1 ? args[0] : args) ?? IDENTITY)
    case 'moveText':
      return onto(movedBy(text.line, a ?? 0, b ?? 0))
    case 'setLeadingMoveText':
      return { ...onto(movedBy(text.line, a ?? 0, b ?? 0)), leading: -(b ?? 0) }
    case 'nextLine':
      return onto(movedBy(text.line, 0, -text.leading))
    case 'setLeading':
      return { ...text, leading: a ?? 0 }
    case 'setFont':
      return { ...text, size: b ?? 1 }
    case 'setCharSpacing':
      return { ...text, charGap: a ?? 0 }
    case 'setWordSpacing':
      return { ...text, wordGap: a ?? 0 }
    case 'setHScale':
      return { ...text, wide: (a ?? 100) > 2 ? (a ?? 100) / 100 : (a ?? 1) }
    case 'setTextRise':
      return { ...text, rise: a ?? 0 }
  }
}

/** Lines and words of a page from the list of what is drawn on it. */
function readLines(
  list: { fnArray: number[]; argsArray: unknown[][] },
  OPS: Ops,
  base: Affine,
  layerName: (id: string) => string,
): Result<Pick<PdfPage, 'shapes' | 'texts' | 'pictures'>> {
  const shapes: DrawnShape[] = []
  const words: DrawnText[] = []
  let pictures = 0
  let segments = 0
  let state: GraphicsState = { to: base, stroke: '#000000', fill: '#000000', dashed: false, dashes: '', text: TEXT_STATE }
  const stack: GraphicsState[] = []
  const layers: string[] = []
  const strokes = new Set([OPS.stroke, OPS.closeStroke, OPS.fillStroke, OPS.eoFillStroke, OPS.closeFillStroke, OPS.closeEOFillStroke])
  const fills = new Set([OPS.fill, OPS.eoFill])
  for (const [i, op] of list.fnArray.entries()) {
    const args = list.argsArray[i] ?? []
    if (op === OPS.save) {
      if (stack.length < 10_000) stack.push(state)
    } else if (op === OPS.restore) state = stack.pop() ?? state
    else if (op === OPS.transform) {
      const m = matrixOf(args)
      if (m) state = { ...state, to: chain(state.to, m) }
    } else if (op === OPS.paintFormXObjectBegin) {
      stack.push(state)
      const m = matrixOf(args[0])
      if (m) state = { ...state, to: chain(state.to, m) }
    } else if (op === OPS.paintFormXObjectEnd) state = stack.pop() ?? state
    else if (op === OPS.setStrokeRGBColor) state = { ...state, stroke: String(args[0]) }
    else if (op === OPS.setFillRGBColor) state = { ...state, fill: String(args[0]) }
    else if (op === OPS.setDash) {
      const dashes = isNumbers(args[0]) ? Array.from(args[0]) : []
      state = { ...state, dashed: dashes.some((d) => d > 0), dashes: dashes.map((d) => d.toFixed(1)).join(',') }
    } else if (op === OPS.beginMarkedContentProps) {
      const props = args[1] as { type?: string; id?: string } | undefined
      layers.push(args[0] === 'OC' && props?.id ? layerName(props.id) : '')
    } else if (op === OPS.beginMarkedContent) layers.push('')
    else if (op === OPS.endMarkedContent) layers.pop()
    else if (op === OPS.paintImageXObject || op === OPS.paintInlineImageXObject || op === OPS.paintImageMaskXObject) pictures += 1
    else if (op === OPS.showText) {
      const shown = showWords(Array.isArray(args[0]) ? args[0].slice(0, MOST_LETTERS) : [], state.text, state.to)
      state = { ...state, text: shown.state }
      if (shown.text && words.length < MAX_SHAPES) words.push(shown.text)
    } else if (TEXT_OPS.some((name) => OPS[name] === op))
      state = {
        ...state,
        text: moved(
          state.text,
          TEXT_OPS.find((name) => OPS[name] === op)!,
          args,
        ),
      }
    else if (op === OPS.constructPath) {
      const paint = args[0] as number
      const isStroke = strokes.has(paint)
      if (!isStroke && !fills.has(paint)) continue
      const data = (args[1] as unknown[] | undefined)?.[0]
      if (!isNumbers(data)) continue
      for (const { path, closed } of unpack(data, state.to)) {
        if (path.flatMap(pointsOf).some((p) => !Number.isFinite(p.x) || !Number.isFinite(p.y))) continue
        segments += path.length
        if (segments > MAX_SEGMENTS || shapes.length >= MAX_SHAPES) return bad('page', 'it has more lines than any pattern.')
        const groups = layers.filter((l) => l !== '').slice(-DEEPEST)
        const colour = isStroke ? state.stroke : state.fill
        shapes.push({
          index: shapes.length + 1,
          name: groups[groups.length - 1] ?? '',
          groups,
          style: `${colour} ${isStroke ? state.dashes : ''}`.trim(),
          isDashed: isStroke && state.dashed,
          isArea: !isStroke,
          hasMarkers: false,
          path,
          closed: closed || distance(path[0]!.from, path[path.length - 1]!.to) <= JOIN_MM,
        })
      }
    }
  }
  return ok({ shapes, texts: toLines(words), pictures })
}

/** What lies further off its page than this is not seen on it, mm: a program may draw the whole sheet on every page. */
const OFF_PAGE_MM = 30

/** Does a line come near a page? */
function isNear(path: Path, width: number, height: number): boolean {
  const b = handleBoxOf(path)
  return b.maxX >= -OFF_PAGE_MM && b.minX <= width + OFF_PAGE_MM && b.maxY >= -OFF_PAGE_MM && b.minY <= height + OFF_PAGE_MM
}

async function readPage(page: PDFPageProxy, OPS: Ops, layerName: (id: string) => string): Promise<Result<PdfPage>> {
  const mm = (INCH_MM / 72) * (page.userUnit || 1)
  const [x0, y0, x1, y1] = page.view as [number, number, number, number]
  // The page as it is looked at: turned by its own quarter turns, downward, from its corner.
  const upright: Affine = { a: mm, b: 0, c: 0, d: -mm, e: -x0 * mm, f: y1 * mm }
  const [wide, high] = [(x1 - x0) * mm, (y1 - y0) * mm]
  const quarter = (((page.rotate / 90) % 4) + 4) % 4
  const turns: Affine[] = [
    IDENTITY,
    { a: 0, b: 1, c: -1, d: 0, e: high, f: 0 },
    { a: -1, b: 0, c: 0, d: -1, e: wide, f: high },
    { a: 0, b: -1, c: 1, d: 0, e: 0, f: wide },
  ]
  const base = chain(turns[quarter] ?? IDENTITY, upright)
  const list = await page.getOperatorList()
  const lines = readLines(list as { fnArray: number[]; argsArray: unknown[][] }, OPS, base, layerName)
  if (!lines.ok) return lines
  const [width, height] = quarter % 2 === 0 ? [wide, high] : [high, wide]
  const { shapes, ...rest } = lines.value
  return ok({ number: page.pageNumber, width, height, shapes: shapes.filter((s) => isNear(s.path, width, height)), ...rest })
}

/**
 * Reads the lines and words of every page of a PDF, with the layers that they lie on. Nothing in the file is run or fetched.
 * Refuses, with the place: what is no PDF, one that is locked or broken, over 60 MB or 400 pages, pages without any line: those that
 * are pictures are said to be so.
 */
export async function readPdf(bytes: Uint8Array, progress?: PageProgress): Promise<Result<PdfPage[]>> {
  if (bytes.length > MAX_BYTES)
    return refuse(
      'pdf-too-large',
      'file',
      `it has ${Math.round(bytes.length / 1e6)} MB; up to ${MAX_BYTES / 1e6} MB are read.`,
      'Part it; nothing was changed here.',
    )
  // The library looks for its worker here and so starts none of its own: this runs in a worker already.
  const [pdfjs, worker] = await Promise.all([
    import('pdfjs-dist/legacy/build/pdf.mjs'),
    import('pdfjs-dist/legacy/build/pdf.worker.mjs' as string) as Promise<unknown>,
  ])
  ;(globalThis as { pdfjsWorker?: unknown }).pdfjsWorker = worker
  const task = pdfjs.getDocument({
    // The library takes what it is given for its own.
    data: bytes.slice(),
    isEvalSupported: false,
    disableFontFace: true,
    useSystemFonts: false,
    enableXfa: false,
    stopAtErrors: false,
    verbosity: 0,
  })
  try {
    const doc = await task.promise
    if (doc.numPages > MOST_PAGES) return bad('file', `it has ${doc.numPages} pages; up to ${MOST_PAGES} are read.`)
    const content = await doc.getOptionalContentConfig()
    const layerName = (id: string): string => (content.getGroup(id) as { name?: string } | null)?.name ?? ''
    const pages: PdfPage[] = []
    let segments = 0
    for (let k = 1; k <= doc.numPages; k++) {
      progress?.(k - 1, doc.numPages)
      const page = await readPage(await doc.getPage(k), pdfjs.OPS as Ops, layerName)
      if (!page.ok) return page
      segments += page.value.shapes.reduce((n, s) => n + s.path.length, 0)
      if (segments > MAX_SEGMENTS) return bad(`page ${k}`, 'up to here the file has more lines than any pattern.')
      pages.push(page.value)
    }
    if (pages.every((p) => p.shapes.length === 0))
      return pages.some((p) => p.pictures > 0)
        ? bad('file', 'its pages are pictures: they were scanned or photographed, and there are no lines in them.')
        : bad('file', 'it has no lines in it.')
    return ok(pages)
  } catch (error) {
    const name = error instanceof Error ? error.name : ''
    if (name === 'PasswordException') return bad('file', 'it is locked with a password.')
    return bad('file', 'it is no whole PDF file.')
  } finally {
    await task.destroy().catch(() => undefined)
  }
}
