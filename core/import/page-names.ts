import type { PdfPage } from '../formats'
import { distance } from '../geometry'

/** Where a page lies among the others, by what it says of itself. */
export interface PageSpot {
  column: number
  row: number
}

/** Names of pages stand at one place of every page, to this, mm. */
const SAME_PLACE_MM = 12
/** Nothing is looked for beyond so many signs of a text. */
const MOST_SIGNS = 300

const figure = (text: string) => Number(text)
/** “A” is 1, “B” 2, “AA” 27. */
const letter = (text: string) => [...text.toUpperCase()].reduce((sum, sign) => sum * 26 + sign.charCodeAt(0) - 64, 0)

/** How pages are named: by a row and a column in words, or by two signs of which nothing says which is which. */
const FORMS: { pattern: RegExp; read: (a: string, b: string) => [number, number]; isSaid: 'row-column' | 'column-row' | null }[] = [
  {
    pattern: /\brow\W*(\d{1,3})\b.*\bcol(?:umn)?\W*(\d{1,3})\b/i,
    read: (a, b) => [figure(a), figure(b)],
    isSaid: 'row-column',
  },
  {
    pattern: /\bcol(?:umn)?\W*(\d{1,3})\b.*\brow\W*(\d{1,3})\b/i,
    read: (a, b) => [figure(a), figure(b)],
    isSaid: 'column-row',
  },
  {
    pattern: /^\W*(?:(?:page|sheet|tile)\W*)?([a-z]{1,2})\s*[-–._]?\s*(\d{1,3})\W*$/i,
    read: (a, b) => [letter(a), figure(b)],
    isSaid: null,
  },
  {
    pattern: /^\W*(?:(?:page|sheet|tile)\W*)?(\d{1,3})\s*[-–._]?\s*([a-z]{1,2})\W*$/i,
    read: (a, b) => [figure(a), letter(b)],
    isSaid: null,
  },
  {
    pattern: /^\W*(?:(?:page|sheet|tile)\W*)?(\d{1,2})\s*[,;/x–-]\s*(\d{1,2})\W*$/i,
    read: (a, b) => [figure(a), figure(b)],
    isSaid: null,
  },
]

/** What every page says in one form at one place, each something else; null where not all do. */
function saidBy(pages: readonly PdfPage[], list: readonly number[], { pattern, read }: (typeof FORMS)[number]): [number, number][] | null {
  const names = list.map((i) =>
    pages[i]!.texts.flatMap(({ text, at }) => {
      const found = pattern.exec(text.slice(0, MOST_SIGNS).replace(/\s+/g, ' '))
      return found ? [{ at, said: read(found[1]!, found[2]!) }] : []
    }),
  )
  for (const first of names[0] ?? []) {
    const own = names.map((list) => list.find(({ at }) => distance(at, first.at) <= SAME_PLACE_MM)?.said)
    const isEach = own.every((said) => said !== undefined) && new Set(own.map((said) => said!.join())).size === own.length
    // “Page 3 of 12” counts the pages, and the second figure is the same on all.
    const varies = [0, 1].map((k) => new Set(own.map((said) => said?.[k])).size)
    if (isEach && (varies.every((n) => n > 1) || pattern.source.includes('row'))) return own as [number, number][]
  }
  return null
}

/**
 * Where the pages of a sheet lie, by the names that are printed on them: “B3”, “2a”, “2,3”, “row 2 of 6, column 3”.
 *
 * @param list the pages of the sheet, by their place in the file
 * @returns the ways in which the names can be read, for each page in the order of the list; none where pages have no such names
 */
export function spotsSaid(pages: readonly PdfPage[], list: readonly number[]): PageSpot[][] {
  for (const form of FORMS) {
    const said = saidBy(pages, list, form)
    if (!said) continue
    const [least0, least1] = [0, 1].map((k) => Math.min(...said.map((s) => s[k as 0 | 1]))) as [number, number]
    const rowFirst = said.map(([a, b]): PageSpot => ({ row: a - least0, column: b - least1 }))
    const columnFirst = said.map(([a, b]): PageSpot => ({ column: a - least0, row: b - least1 }))
    return form.isSaid === 'row-column' ? [rowFirst] : form.isSaid === 'column-row' ? [columnFirst] : [rowFirst, columnFirst]
  }
  return []
}
