import { readFile } from 'node:fs/promises'
import { contentsOf, emptyFit, joinProject, writeProjectFile, type Drawing } from '../../core/formats'
import {
  bringIn,
  drawingOf,
  gridInRows,
  isPicture,
  LAYER_ROLES,
  layersOf,
  openFile,
  pagesOf,
  placesWithRules,
  scaleIn,
  timesBySquare,
  withLayersSaid,
  withRuleTable,
  withWordsRead,
  type LayerRole,
  type PageGrid,
} from '../../core/import'
import { checkGarment, toName, type Garment } from '../../core/pattern'
import { ok } from '../../core/result'
import { NO_CHARTS } from '../../core/size'
import { BadInput, readBytes, sentence, type Tell } from './bad-input'
import { readPicture } from './read-picture'
import { WrongUse, type Options } from './read-arguments'
import { wordReader } from './read-words'

/** The pages of a PDF side by side as `--pages 4` or `--pages 4,10` says: so many columns, with so much overlap, mm. */
function gridAsAsked(kept: string, { pages: asked }: Options): PageGrid | null {
  if (asked === undefined) return null
  const [columns, overlap = 0] = asked.split(',').map(Number)
  const pages = pagesOf(kept)
  if (!Number.isInteger(columns) || columns! < 1 || !(overlap >= 0))
    throw new WrongUse('--pages is the pages side by side, as 4, or with their overlap in mm, as 4,10.')
  return pages && gridInRows(pages, { columns: columns!, overlapX: overlap, overlapY: overlap, down: false })
}

/** What layers hold, as `--layer AUX=notch` says, as often as there are layers to say it of. */
function layersAsAsked({ layer: asked = [] }: Options): Record<string, LayerRole> {
  return Object.fromEntries(
    asked.map((one) => {
      const at = one.lastIndexOf('=')
      const role = LAYER_ROLES.find((r) => r === one.slice(at + 1).trim())
      if (at < 1 || !role) throw new WrongUse(`--layer is NAME=WHAT, WHAT being ${LAYER_ROLES.join(', ')}; not ${one}.`)
      return [one.slice(0, at), role]
    }),
  )
}

/** A drawing as it is brought in: its layers as they were said, at the size that its test square says. */
function drawnAsSaid(drawing: Drawing, options: Options, tell: Tell): { drawing: Drawing; times: number } {
  const layers = layersAsAsked(options)
  const known = layersOf(drawing)
  const missing = Object.keys(layers).find((name) => known.every((l) => l.name !== name))
  if (missing !== undefined)
    throw new BadInput(
      `--layer ${missing}: the file has ${known.length > 0 ? `the layers ${known.map((l) => l.name).join(', ')}` : 'no layers'}.`,
    )
  for (const { name, lines, isApart } of known)
    if (isApart && !Object.hasOwn(layers, name)) tell(`Layer ${name} (${lines} lines) is left out: say with --layer what it holds.`)
  const found = scaleIn(drawing)
  const times = found.ok ? timesBySquare(found.value) : 1
  if (times !== 1) tell(`The test square says that the drawing is at ${(100 / times).toFixed(1)} %: it is brought to its true size.`)
  return { drawing: withLayersSaid(drawing, layers), times }
}

/** A pattern file as a garment, with the same first guesses as the tray makes. */
export async function importFile(file: string, options: Options, tell: Tell): Promise<string> {
  const bytes = await readFile(file).catch(() => {
    throw new BadInput(`${file} cannot be read.`)
  })
  // A broken PDF fails in the library once more after it was refused here.
  process.on('unhandledRejection', () => {})
  const kept = isPicture(new Uint8Array(bytes)) ? readPicture(file, bytes, options, tell) : await openFile(new Uint8Array(bytes))
  if (!kept.ok) throw new BadInput(`${file}: ${sentence(kept.problem)}`)
  const reader = wordReader()
  const worded = await withWordsRead(kept.value, reader.read)
    .catch((error: unknown) => {
      tell(`Words in it are drawn as shapes, and were not read: ${error instanceof Error ? error.message : String(error)}.`)
      return kept.value
    })
    .finally(reader.end)
  if (worded !== kept.value) tell('Words in it are drawn as shapes: they were read from their picture.')
  const whole = options.rules === undefined ? ok(worded) : withRuleTable(worded, await readBytes(options.rules))
  if (!whole.ok) throw new BadInput(`${options.rules ?? file}: ${sentence(whole.problem)}`)
  const read = drawingOf(whole.value, gridAsAsked(whole.value, options))
  if (!read.ok) throw new BadInput(`${file}: ${sentence(read.problem)}`)
  const numbered = placesWithRules(read.value)
  if (numbered > 0) tell(`${numbered} places have the number of a rule: its sizes come in with --rules and the table that goes with it.`)
  const { drawing, times } = drawnAsSaid(read.value, options, tell)
  const brought = bringIn(drawing, times)
  if (!brought.ok) throw new BadInput(`${file}: ${sentence(brought.problem)}`)
  const { leftOut } = brought.value
  const garment = { ...brought.value.garment, baseSizeId: sizeOf(brought.value.garment, options) }
  for (const { name, why } of [...read.value.leftOut, ...leftOut]) tell(`${name} is left out: ${why}`)
  for (const { name, why } of brought.value.doubts) tell(`${name}: ${why}.`)
  if (garment.pieces.length === 0) throw new BadInput(`${file} has no usable piece in it.`)
  const problem = checkGarment(garment)
  if (problem) throw new BadInput(`${file}: ${sentence(problem)}`)
  const now = new Date().toISOString()
  const name = toName(file.replace(/^.*\/|\.[^.]+$/g, '')) || 'imported'
  const row = { id: 'imported', name, garment, charts: NO_CHARTS, mends: [], createdAt: now, updatedAt: now }
  return writeProjectFile(contentsOf([joinProject(row, emptyFit('imported', row.id, null, now))]), new Date())
}

/** The size that is asked for, by its name or id; the one that lies there when none is named. */
export function sizeOf({ sizes, baseSizeId }: Garment, options: Options): string {
  if (options.size === undefined) return baseSizeId
  const size = sizes.find((s) => s.name === options.size) ?? sizes.find((s) => s.id === options.size)
  if (!size) throw new BadInput(`--size ${options.size}: the garment has the sizes ${sizes.map((s) => s.name).join(', ')}.`)
  return size.id
}
