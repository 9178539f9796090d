import { bounded } from '../budget'
import { finishDrawing, readDxf, readPdf, readRuleTable, readSvg, type Drawing, type PageProgress, type PdfPage } from '../formats'
import type { Path } from '../geometry'
import { ok, refuse, type Result } from '../result'
import { readWriting, type ReadWriting, type WordReader } from '../writing'
import { assemblePages } from './assemble-pages'
import { gradeByRules, placesWithRules } from './grade-by-rules'
import { gridInRows, proposeGrid, type PageGrid } from './propose-grid'

/**
 * A file from outside as it is kept while its pieces come in: the words of an SVG or DXF as they are, or the pages of a PDF as
 * data, beginning with this.
 */
const PAGES = '{"pages":'
/** What was read from photographs is kept as its outlines, beginning with this. */
const OUTLINES = '{"outlines":'

/** Layers of a PDF that say themselves that they hold nothing of a piece: marks of the pages, a small map of them, a lay on cloth. */
const OF_PAPER = /^(?:page marks|page map|squares and map|test square|cloth)$/i

/** A page without what its layers say is no part of a piece. */
const withoutPaper = (page: PdfPage): PdfPage => ({
  ...page,
  shapes: page.shapes.filter((s) => !s.groups.some((g) => OF_PAPER.test(g))),
  texts: page.texts.filter((t) => !t.groups.some((g) => OF_PAPER.test(g))),
})

/** Digits behind the point that places on pages are kept with, mm: a tenth of a thousandth. */
const KEPT = 1e4

/** How a file of bytes is written, told by its beginning and not by its name. */
function sortOf(bytes: Uint8Array): 'pdf' | 'picture' | 'packed' | 'words' {
  const head = String.fromCharCode(...bytes.slice(0, 1024))
  const begins = (...signs: string[]) => signs.some((sign) => head.startsWith(sign))
  if (head.includes('%PDF-')) return 'pdf'
  if (
    begins('\u0089PNG', '\u00ff\u00d8\u00ff', 'GIF8', 'BM', 'II*', 'MM\u0000') ||
    /^(?:RIFF....WEBP|....ftyp(?:heic|heif|mif1|avif))/s.test(head)
  )
    return 'picture'
  if (begins('PK', '\u001f\u008b', 'Rar!', '7z')) return 'packed'
  return 'words'
}

/** The words of a file, in the writing that it states or that its first signs show; one of a single byte a sign otherwise. */
function decode(bytes: Uint8Array): string {
  const [a, b] = bytes
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes)
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes)
  const stated = /encoding\s*=\s*["']([\w-]+)["']/.exec(String.fromCharCode(...bytes.slice(0, 200)))?.[1]
  for (const writing of [stated ?? 'utf-8', 'utf-8', 'windows-1252'])
    try {
      return new TextDecoder(writing, { fatal: true }).decode(bytes)
    } catch {
      // The next one.
    }
  return new TextDecoder().decode(bytes)
}

const rounded = (_: string, v: unknown) => (typeof v === 'number' ? Math.round(v * KEPT) / KEPT : v)

/**
 * Opens a file whatever its name says, and gives what is kept of it. Refuses pictures, packed files, and PDFs without lines, each
 * in a sentence; words are looked at when they are read (see drawingOf).
 */
export async function openFile(bytes: Uint8Array, progress?: PageProgress): Promise<Result<string>> {
  const bad = (message: string, remedy: string) => refuse('file-unreadable', 'file', message, `${remedy} Nothing was changed here.`)
  switch (sortOf(bytes)) {
    case 'picture':
      return bad(
        'it is a picture, and holds no lines.',
        'Save the pieces as SVG, PDF or DXF; or take a photograph of them in beside a sheet of paper.',
      )
    case 'packed':
      return bad('it is a packed file.', 'Unpack it, and choose the file in it.')
    case 'words':
      // What is kept beside a file stands behind a sign that no writing has.
      return ok(decode(bytes).replaceAll('\u0000', ''))
    case 'pdf': {
      const pages = await readPdf(bytes, progress)
      if (!pages.ok) return pages
      return ok(`${PAGES}${JSON.stringify(pages.value.map(withoutPaper), rounded)}}`)
    }
  }
}

/** Is a file a picture, whatever its name says? */
export const isPicture = (bytes: Uint8Array): boolean => sortOf(bytes) === 'picture'

/** Outlines that were read from photographs, and lines drawn on them, mm; with the name of the file, which a single piece is called by. */
export interface KeptOutlines {
  outlines: readonly Path[]
  lines: readonly Path[]
  name: string
}

/** What is kept of outlines for the tray. */
export const keepOutlines = ({ outlines, lines, name }: KeptOutlines): string =>
  `${OUTLINES}${JSON.stringify(outlines, rounded)},"lines":${JSON.stringify(lines, rounded)},"name":${JSON.stringify(name)}}`

/** The drawing of kept outlines: each a closed line, with open ones on it. */
function outlinesOf(kept: string): Result<Drawing> {
  const { outlines, lines, name } = JSON.parse(kept) as KeptOutlines
  const shapes = [...outlines, ...lines].map((path, index) => ({
    index,
    name: outlines.length === 1 && index === 0 ? name : '',
    groups: [],
    style: '',
    isDashed: false,
    isArea: false,
    hasMarkers: false,
    path,
    closed: index < outlines.length,
  }))
  return finishDrawing({ shapes, texts: [], mmPerUnit: 1, scaleFrom: 'mm', page: null }, (where, message) =>
    refuse('file-unreadable', where, message, 'Take the photograph anew; nothing was changed here.'),
  )
}

/** The pages of a PDF that was kept; null for any other file. */
export function pagesOf(kept: string): PdfPage[] | null {
  return kept.startsWith(PAGES) ? (JSON.parse(kept) as { pages: PdfPage[] }).pages : null
}

/** Steps that putting pages together may take, and looking for how they lie. */
const STEPS = 60_000_000
const GRID_STEPS = 20_000_000

/** How the pages of a kept PDF lie, as it is proposed; in rows where that takes too long to find; null for any other file. */
export function gridFor(kept: string): PageGrid | null {
  const pages = pagesOf(kept)
  if (!pages) return null
  const found = bounded('pages', () => ok(proposeGrid(pages)), GRID_STEPS)
  const columns = Math.ceil(Math.sqrt(pages.length))
  return found.ok ? found.value : gridInRows(pages, { columns, overlapX: 0, overlapY: 0, down: false })
}

/** What parts a DXF from the rule table that was kept with it. */
const RULES = '\n\u0000rule table\n'

/**
 * A kept DXF with the rule table that goes with it, so that its pieces come in in all sizes. Refuses any other file, a table that cannot be
 * read, and one that has none of the rules of the drawing.
 */
export function withRuleTable(kept: string, bytes: Uint8Array): Result<string> {
  const [dxf] = kept.split(RULES)
  const no = (message: string) =>
    refuse(
      'rule-table-of-another',
      'rule table',
      message,
      'Choose the rule table (.rul) that belongs to this DXF; nothing was changed here.',
    )
  const read = isDxf(dxf!) ? readDxf(dxf!) : null
  if (!read?.ok || placesWithRules(read.value) === 0) return no('no place of the drawing has the number of a rule on it.')
  const text = new TextDecoder().decode(bytes)
  const table = readRuleTable(text)
  if (!table.ok) return table
  const graded = bounded('rule table', () => ok(gradeByRules(read.value, table.value)), STEPS)
  if (!graded.ok) return graded
  return graded.value.shapes.length > read.value.shapes.length
    ? ok(`${dxf!}${RULES}${text}`)
    : no('it has none of the rules of this drawing.')
}

const isDxf = (kept: string): boolean =>
  /^\s*0\s*\r?\n\s*SECTION\b/.test(kept) || /^\s*999\s*\r?\n/.test(kept) || /^\w+ Binary DXF/.test(kept)

/** The drawing in a kept DXF, in all sizes where its rule table is kept with it. */
function dxfOf(kept: string): Result<Drawing> {
  const [dxf, rules] = kept.split(RULES)
  const read = readDxf(dxf!)
  const table = rules === undefined ? null : readRuleTable(rules)
  if (!read.ok || table === null) return read
  return table.ok ? bounded('rule table', () => ok(gradeByRules(read.value, table.value)), STEPS) : table
}

/** What parts an SVG from the words that were read from its shapes. */
const WORDS = '\n\u0000words\n'

/** Shapes and words of a drawing once words that are drawn as shapes were read: words in place of those shapes. */
function withWords<D extends Pick<Drawing, 'shapes' | 'texts'>>(drawing: D, { texts, members }: ReadWriting): D {
  const gone = new Set(members)
  return { ...drawing, shapes: drawing.shapes.filter((_, i) => !gone.has(i)), texts: [...drawing.texts, ...texts] }
}

/**
 * A kept SVG or PDF with the words in it that are drawn as shapes, as converters write them: read from their picture, they stand in
 * place of the shapes. Any other file, and one without such words, is as it was.
 * @param parse how the drawing in a kept SVG is had, where it is asked for again
 */
export async function withWordsRead(kept: string, read: WordReader, parse: (kept: string) => Result<Drawing> = drawingOf): Promise<string> {
  const pages = pagesOf(kept)
  if (pages) {
    const words = await readWriting(
      pages.map((p) => p.shapes),
      read,
    )
    if (words.every((w) => w.texts.length === 0)) return kept
    const changed = pages.map((page, i) => withWords(page, words[i]!))
    return `${PAGES}${JSON.stringify(changed, rounded)}}`
  }
  if (kept.startsWith(OUTLINES) || isDxf(kept)) return kept
  const drawing = parse(kept)
  const [words] = drawing.ok ? await readWriting([drawing.value.shapes], read) : []
  return words && words.texts.length > 0 ? `${kept}${WORDS}${JSON.stringify(words, rounded)}` : kept
}

/**
 * The drawing in a kept file. Refuses what is neither SVG nor DXF, and what its reader refuses.
 * @param grid how the pages of a PDF lie; as proposed when none is given
 */
export function drawingOf(kept: string, grid?: PageGrid | null): Result<Drawing> {
  const parted = kept.lastIndexOf(WORDS)
  if (parted >= 0) {
    const plain = drawingOf(kept.slice(0, parted))
    return plain.ok ? ok(withWords(plain.value, JSON.parse(kept.slice(parted + WORDS.length)) as ReadWriting)) : plain
  }
  if (kept.startsWith(OUTLINES)) return outlinesOf(kept)
  const pages = pagesOf(kept)
  if (pages) return bounded('pages', () => assemblePages(pages, grid ?? gridFor(kept)!), STEPS)
  if (isDxf(kept)) return dxfOf(kept)
  if (/^\s*SIZE LIST\s*:/im.test(kept) && /^\s*RULE\s*:/im.test(kept))
    return refuse('rule-table-alone', 'file', 'it is a rule table.', 'Open the DXF that it belongs to first, and add the table there.')
  if (!kept.slice(0, 2000).includes('<'))
    return refuse(
      'file-unreadable',
      'file',
      'it is neither SVG, PDF nor DXF.',
      'Save the pieces in one of these from the drawing program; nothing was changed here.',
    )
  return readSvg(kept)
}
