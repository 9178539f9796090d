import Papa from 'papaparse'
import { ok, refuse, type Result } from '../result'
import { formatLength, parseLength, type UnitSystem } from '../units'
import { BODY_MEASURES } from './measures'
import { MeasureSetSchema, type Figure, type MeasureSet, type Wearer } from './schema'
import { measuresOf } from './figures'

/** One row of the table: a figure on a day. “left” and “right” are empty unless the sides differ. */
const COLUMNS = ['wearer', 'taken on', 'measure', 'figure', 'left', 'right'] as const

/**
 * Writes every set of every wearer as CSV, a row for each figure. Lengths are exact, in mm or inches with their unit.
 */
export function writeWearersCsv(wearers: readonly Wearer[], units: UnitSystem): string {
  const write = (mm: number) => (units === 'in' ? formatLength(mm, 'in', { fraction: 16 }) : `${Math.round(mm * 10) / 10} mm`)
  const rows = wearers.flatMap((w) =>
    w.sets.flatMap((set) =>
      measuresOf(w)
        .filter((m) => set.figures[m.id])
        .map((m) => {
          const f = set.figures[m.id]!
          return 'mm' in f
            ? [w.name, set.takenOn, m.name, write(f.mm), '', '']
            : [w.name, set.takenOn, m.name, '', write(f.leftMm), write(f.rightMm)]
        }),
    ),
  )
  return `${Papa.unparse({ fields: [...COLUMNS], data: rows })}\r\n`
}

/**
 * Reads wearers from CSV as written here, or from a spreadsheet with the same columns in any order. A bare figure is
 * taken in the given unit. Refuses the whole file at the first row that cannot be understood, naming it.
 *
 * @param newId gives ids for what has none in the file
 */
export function readWearersCsv(text: string, units: UnitSystem, newId: () => string): Result<Wearer[]> {
  const read = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim().toLowerCase(),
    transform: (v) => v.trim(),
  })
  const missing = ['wearer', 'taken on', 'measure'].filter((c) => !read.meta.fields?.includes(c))
  if (missing.length > 0 || read.data.length === 0)
    return refuse(
      'csv-columns',
      'first line',
      missing.length > 0 ? `the column “${missing.join('”, “')}” is missing.` : 'there are no rows below it.',
      `The first line names the columns: ${COLUMNS.join(', ')}. Nothing was changed.`,
    )
  const wearers: Wearer[] = []
  for (const [i, row] of read.data.entries()) {
    // The first line of the file is the heading.
    const where = `line ${i + 2}`
    const wrong = (message: string) => refuse('csv-row', where, message, 'Mend the row and read the file again; nothing was changed.')
    if (!row.wearer) return wrong('the wearer has no name.')
    const figure = readFigure(row, units)
    if (!figure.ok) return wrong(`${row.measure || 'the figure'}, “${figure.problem.where}”: not a length of a body.`)
    let wearer = wearers.find((w) => w.name === row.wearer)
    if (!wearer) wearers.push((wearer = { id: newId(), name: row.wearer.slice(0, 120), sets: [], ownMeasures: [] }))
    let set: MeasureSet | undefined = wearer.sets.find((s) => s.takenOn === row['taken on'])
    if (!set) {
      set = { id: newId(), takenOn: row['taken on'] ?? '', note: '', figures: {} }
      if (!MeasureSetSchema.safeParse(set).success) return wrong(`“${set.takenOn}” is not a day; write it as 2026-05-31.`)
      wearer.sets.push(set)
    }
    if (!row.measure) return wrong('the measure has no name.')
    set.figures[measureIdOf(wearer, row.measure, newId)] = figure.value
  }
  for (const w of wearers) w.sets.sort((a, b) => a.takenOn.localeCompare(b.takenOn))
  return ok(wearers)
}

/** The measure of that name: of the list, of the wearer's own, or a new own one. */
function measureIdOf(wearer: Wearer, name: string, newId: () => string): string {
  const same = (a: string) => a.toLowerCase() === name.toLowerCase()
  const known = BODY_MEASURES.find((m) => same(m.name) || same(m.id)) ?? wearer.ownMeasures.find((m) => same(m.name))
  if (known) return known.id
  const own = { id: newId(), name: name.slice(0, 120), kind: 'round' as const }
  wearer.ownMeasures.push(own)
  return own.id
}

function readFigure(row: Record<string, string>, units: UnitSystem): Result<Figure> {
  const length = (text: string): Result<number> => {
    const mm = parseLength(text, units)
    return mm.ok && mm.value > 0 ? mm : refuse('not-a-length', text, 'this is not a length of a body.', 'Type a figure above nothing.')
  }
  if (row.left || row.right) {
    const left = length(row.left || row.right!)
    if (!left.ok) return left
    const right = length(row.right || row.left!)
    return right.ok ? ok({ leftMm: left.value, rightMm: right.value }) : right
  }
  const mm = length(row.figure ?? '')
  return mm.ok ? ok({ mm: mm.value }) : mm
}
