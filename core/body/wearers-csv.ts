import Papa from 'papaparse'
import { fromCell, toCell } from '../csv-cell'
import { toName } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { formatLength, parseLength, type UnitSystem } from '../units'
import { BODY_MEASURES } from './measures'
import { isDay, LEAST_FIGURE_MM, LONGEST_FIGURE_MM, WearerSchema, type Figure, type MeasureSet, type Wearer } from './schema'
import { measuresOf } from './figures'

type Row = Record<'wearer' | 'takenOn' | 'measure' | 'figure' | 'left' | 'right', string>

/** Rows of one file: some hundred wearers with a dozen days each. */
const MOST_ROWS = 50_000
/** Signs of one file, of any rows. */
const MOST_SIGNS = 10_000_000

/** One row of the table: a figure on a day. “left” and “right” are empty unless the sides differ. */
const COLUMNS = ['wearer', 'taken on', 'measure', 'figure', 'left', 'right'] as const

/**
 * Writes every set of every wearer as CSV, a row for each figure. Lengths are exact, in mm or inches with their unit.
 */
export function writeWearersCsv(wearers: readonly Wearer[], units: UnitSystem): string {
  const write = (mm: number) => (units === 'in' ? formatLength(mm, 'in') : `${Math.round(mm * 10) / 10} mm`)
  const rows = wearers.flatMap((w) =>
    w.sets.flatMap((set) =>
      measuresOf(w)
        .filter((m) => set.figures[m.id])
        .map((m) => {
          const f = set.figures[m.id]!
          return 'mm' in f
            ? [toCell(w.name), set.takenOn, toCell(m.name), write(f.mm), '', '']
            : [toCell(w.name), set.takenOn, toCell(m.name), '', write(f.leftMm), write(f.rightMm)]
        }),
    ),
  )
  return `${Papa.unparse({ fields: [...COLUMNS], data: rows })}\r\n`
}

/**
 * Reads wearers from CSV as written here, or from a spreadsheet with the same columns in any order. A bare figure is
 * taken in the given unit. Refuses the whole file at the first row that cannot be understood, naming it: figures that are no
 * length or longer than any body's, days that are not in the calendar, more rows or measures than one could have taken.
 *
 * @param newId gives ids for what has none in the file
 */
export function readWearersCsv(text: string, units: UnitSystem, newId: () => string): Result<Wearer[]> {
  if (text.length > MOST_SIGNS)
    return refuse(
      'csv-rows',
      'file',
      `it has more than ${MOST_SIGNS / 1e6} million signs.`,
      'Part it into several files. Nothing was changed.',
    )
  const [heading = [], ...lines] = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' }).data
  const titles = heading.map((h) => h.trim().toLowerCase())
  const missing = COLUMNS.slice(0, 3).filter((c) => !titles.includes(c))
  if (missing.length > 0 || lines.length === 0)
    return refuse(
      'csv-columns',
      'first line',
      missing.length > 0 ? `the column “${missing.join('”, “')}” is missing.` : 'there are no rows below it.',
      `The first line names the columns: ${COLUMNS.join(', ')}. Nothing was changed.`,
    )
  if (lines.length > MOST_ROWS)
    return refuse('csv-rows', 'file', `it has more than ${MOST_ROWS} rows.`, 'Part it into several files. Nothing was changed.')
  const rows = lines.map((cells): Row => {
    const cell = (column: (typeof COLUMNS)[number]) => cells[titles.indexOf(column)]?.trim() ?? ''
    return {
      wearer: cell('wearer'),
      takenOn: cell('taken on'),
      measure: cell('measure'),
      figure: cell('figure'),
      left: cell('left'),
      right: cell('right'),
    }
  })
  const wearers = new Map<string, Wearer>()
  for (const [i, row] of rows.entries()) {
    // The first line of the file is the heading.
    const where = `line ${i + 2}`
    const wrong = (message: string) => refuse('csv-row', where, message, 'Mend the row and read the file again; nothing was changed.')
    const name = toName(fromCell(row.wearer))
    const measure = toName(fromCell(row.measure))
    const { takenOn } = row
    if (!name) return wrong('the wearer has no name.')
    if (!measure) return wrong('the measure has no name.')
    if (!isDay(takenOn)) return wrong(`“${takenOn.slice(0, 40)}” is not a day of the calendar; write it as 2026-05-31.`)
    const figure = readFigure(row, units)
    if (!figure.ok) return wrong(`${measure}, “${figure.problem.where.slice(0, 40)}”: ${figure.problem.message}`)
    const wearer = wearers.get(name) ?? { id: newId(), name, sets: [], ownMeasures: [] }
    wearers.set(name, wearer)
    let set: MeasureSet | undefined = wearer.sets.find((s) => s.takenOn === takenOn)
    if (!set) wearer.sets.push((set = { id: newId(), takenOn, note: '', figures: {} }))
    set.figures[measureIdOf(wearer, measure, newId)] = figure.value
  }
  for (const w of wearers.values()) {
    w.sets.sort((a, b) => a.takenOn.localeCompare(b.takenOn))
    // What the schema counts (sets, own measures) is all that can still be wrong.
    if (!WearerSchema.safeParse(w).success)
      return refuse('csv-too-much', `wearer “${w.name}”`, 'there are too many days or measures.', 'Part the file. Nothing was changed.')
  }
  return ok([...wearers.values()])
}

/** The measure of that name: of the list, of the wearer's own, or a new own one. */
function measureIdOf(wearer: Wearer, name: string, newId: () => string): string {
  const same = (a: string) => a.toLowerCase() === name.toLowerCase()
  const known = BODY_MEASURES.find((m) => same(m.name) || same(m.id)) ?? wearer.ownMeasures.find((m) => same(m.name))
  if (known) return known.id
  const own = { id: newId(), name, kind: 'round' as const }
  wearer.ownMeasures.push(own)
  return own.id
}

function readFigure(row: Row, units: UnitSystem): Result<Figure> {
  const length = (text: string): Result<number> => {
    const mm = parseLength(text, units)
    if (!mm.ok || mm.value < LEAST_FIGURE_MM)
      return refuse('not-a-length', text, 'this is not a length of a body.', 'Type a figure above nothing.')
    if (mm.value <= LONGEST_FIGURE_MM) return mm
    return refuse('too-long', text, `a body has no length over ${LONGEST_FIGURE_MM / 1000} m.`, 'Mend the figure or its unit.')
  }
  if (row.left || row.right) {
    const left = length(row.left || row.right)
    if (!left.ok) return left
    const right = length(row.right || row.left)
    return right.ok ? ok({ leftMm: left.value, rightMm: right.value }) : right
  }
  const mm = length(row.figure)
  return mm.ok ? ok({ mm: mm.value }) : mm
}
