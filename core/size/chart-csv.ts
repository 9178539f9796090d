import Papa from 'papaparse'
import { BODY_MEASURES, LONGEST_FIGURE_MM } from '../body'
import { fromCell, toCell } from '../csv-cell'
import type { Garment } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { formatLength, parseLength, type UnitSystem } from '../units'

type Chart = Record<string, Record<string, number>>

/** Names by which people head a row of a chart. */
const idOf = (name: string): string | undefined => {
  const wanted = name.trim().toLowerCase()
  return BODY_MEASURES.find((m) => m.id === wanted || m.name.toLowerCase() === wanted)?.id ?? ALSO_CALLED.get(wanted)
}

const ALSO_CALLED = new Map([
  ['hips', 'hip'],
  ['upper bust', 'high-bust'],
  ['biceps', 'bicep'],
  ['hem', 'hem'],
  ['full bust', 'bust'],
])

/**
 * Reads a size chart from CSV or from cells pasted out of a spreadsheet (tabs): the first line names the sizes, each line
 * below a measure. Refuses the whole chart at the first cell it cannot understand, naming it.
 */
export function readChart(text: string, sizes: Garment['sizes'], units: UnitSystem): Result<Chart> {
  const rows = Papa.parse<string[]>(text.trimEnd().replace(/^[\uFEFF\r\n]+/, ''), { skipEmptyLines: 'greedy' }).data.map((r) =>
    r.map((c) => fromCell(c.trim())),
  )
  const [heading, ...body] = rows
  const columns = (heading ?? []).slice(1).map((name) => sizes.find((s) => s.name.toLowerCase() === name.toLowerCase() || s.id === name))
  const unknown = (heading ?? []).slice(1).filter((_, i) => !columns[i])
  if (!heading || columns.length === 0 || body.length === 0 || unknown.length > 0)
    return refuse(
      'chart-heading',
      'first line',
      unknown.length > 0
        ? `“${unknown[0]!.slice(0, 40)}” is not a size of this pattern.`
        : 'a chart needs a line of sizes and a line for each measure.',
      `The sizes are called ${sizes.map((s) => s.name).join(', ')}. Nothing was changed.`,
    )
  const chart: Chart = {}
  for (const [i, row] of body.entries()) {
    const where = `line ${i + 2}`
    const id = idOf(row[0] ?? '')
    if (!id)
      return refuse(
        'chart-measure',
        where,
        `“${row[0]!.slice(0, 40)}” is not a measure that is known here.`,
        'Call it bust, waist, hip, ... Nothing was changed.',
      )
    for (const [k, size] of columns.entries()) {
      const cell = row[k + 1] ?? ''
      if (cell === '') continue
      const mm = parseLength(cell, units)
      if (!mm.ok || mm.value <= 0 || mm.value > LONGEST_FIGURE_MM)
        return refuse(
          'chart-figure',
          `${where}, size ${size!.name}`,
          `“${cell.slice(0, 40)}” is not a length of a body.`,
          'Mend the cell; nothing was changed.',
        )
      ;(chart[size!.id] ??= {})[id] = mm.value
    }
  }
  return ok(chart)
}

/** Writes a chart as CSV: a column for each size, a line for each measure. */
export function writeChart(chart: Chart, sizes: Garment['sizes'], units: UnitSystem): string {
  const measures = [...new Set(sizes.flatMap((s) => Object.keys(chart[s.id] ?? {})))]
  const cell = (mm: number | undefined) =>
    mm === undefined ? '' : units === 'in' ? formatLength(mm, 'in') : `${Math.round(mm * 10) / 10} mm`
  return `${Papa.unparse([['measure', ...sizes.map((s) => toCell(s.name))], ...measures.map((id) => [id, ...sizes.map((s) => cell(chart[s.id]?.[id]))])])}\r\n`
}
