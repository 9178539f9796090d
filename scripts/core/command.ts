import { randomUUID } from 'node:crypto'
import { readFile, writeFile } from 'node:fs/promises'
import { createRequire } from 'node:module'
import { readWearersCsv } from '../../core/body'
import { ChangeSchema, contextOf, foldPlan, type Change, type ChangeContext, type FoldedPlan } from '../../core/changes'
import { newestFirst, type Version } from '../../core/fittings'
import {
  contentsOf,
  emptyFit,
  joinProject,
  logOf,
  projectsOf,
  readBackup,
  stopsOf,
  plotOf,
  usualPens,
  writeHpgl,
  writePlainDxf,
  writeProjectFile,
  writeSvg,
  writeTradeDxf,
  type Project,
  type Contents,
  type Drawing,
} from '../../core/formats'
import { writePdf } from '../../core/formats/pdf-out'
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
import { issueWords } from '../../core/issue-words'
import type { ManyChoices } from '../../core/many'
import { DEFAULT_TOLERANCES } from '../../core/match'
import { changesInWords, drawPieces, MARGIN_MM, PAPER_IDS, ROLL_MM, sheetFor, type PaperId } from '../../core/paper'
import { checkGarment, toName, type Garment } from '../../core/pattern'
import { ok, problemSentence, type Problem } from '../../core/result'
import { NO_CHARTS } from '../../core/size'
import { unitsOf, writeLengths, type Ruler } from '../../core/units'
import { pairsOf } from '../../server/many/batches'
import {
  checkAnswer,
  clothAnswer,
  compareAnswer,
  fittingsAnswer,
  notebookAnswer,
  measureAnswer,
  planAnswer,
  shapesAnswer,
  stepsAnswer,
  stopsAnswer,
  worksheetAnswer,
  type Opened,
} from './answers'
import { fitMany } from './fit-many'
import { readPicture } from './read-picture'
import { clothOf, readArguments, USE, widthOf, WrongUse, type Options } from './read-arguments'
import { wordReader } from './read-words'

/** Bad input: a plain sentence on standard error, exit 1. */
class BadInput extends Error {}

/** Hears a line for people; `status` where the command has not done all that it was asked for. */
type Tell = (line: string, status?: 1) => void

const sentence = (problem: Problem, ruler: Ruler = 'cm'): string => writeLengths(problemSentence(problem), ruler)

async function readBytes(file: string): Promise<Uint8Array> {
  return readFile(file).catch((error: NodeJS.ErrnoException) => {
    throw new BadInput(error.code === 'ENOENT' ? `There is no file ${file}.` : `${file} cannot be read: ${error.message}.`)
  })
}

function wholeNumber(text: string, name: string, low: number, high: number): number {
  const n = Number(text)
  if (!Number.isInteger(n) || n < low || n > high) throw new BadInput(`--${name} takes a whole number from ${low} to ${high}, not ${text}.`)
  return n
}

/** The garment that is asked for, by its name or its place from 1; the first when none is. */
function garmentOf(garments: Contents['garments'], { garment: asked = '1' }: Options): Contents['garments'][number] {
  const own = garments.find((g) => g.name.toLowerCase() === asked.toLowerCase()) ?? garments[Number(asked) - 1]
  if (!own) throw new BadInput(`--garment ${asked}: the file has ${garments.map((g, i) => `${i + 1} ${g.name}`).join(', ')}.`)
  return own
}

/** The paper that is asked for. */
function paperOf({ paper: asked = 'a4' }: Options): PaperId {
  const paper = PAPER_IDS.find((id) => id === asked)
  if (!paper) throw new WrongUse(`--paper is ${PAPER_IDS.slice(0, -1).join(', ')} or ${PAPER_IDS.at(-1)}, not ${asked}.`)
  return paper
}

async function openProject(file: string, options: Options): Promise<{ whole: Contents; project: Project }> {
  const read = readBackup(await readBytes(file))
  if (!read.ok) throw new BadInput(`${file}: ${sentence(read.problem)}`)
  const whole = read.value.file
  const { garments } = whole
  if (garments.length === 0) throw new BadInput(`${file} has no garment in it.`)
  if (options.garment === undefined && garments.length > 1)
    throw new BadInput(
      `${file} has ${garments.length} garments (${garments.map((g, i) => `${i + 1} ${g.name}`).join(', ')}): choose one with --garment.`,
    )
  const garment = garmentOf(garments, options)
  const fits = projectsOf({ garments: [garment], fits: whole.fits })
  // As the page does: the one that was last worked on.
  const newest = fits.reduce((a, b) => (b.updatedAt > a.updatedAt ? b : a))
  const project = options.fit === undefined ? newest : fits[wholeNumber(options.fit, 'fit', 1, fits.length) - 1]!
  return { whole, project }
}

function contextFor(project: Project, wearers: Contents['wearers']): ChangeContext {
  return contextOf(project.garment, project, wearers.find((w) => w.id === project.wearerId) ?? null, DEFAULT_TOLERANCES)
}

/** The stops of a fit, those for everybody first; only so many as are asked for. */
function planUpTo(project: Project, options: Options): Change[] {
  const stops = stopsOf(project)
  return options.at === undefined ? stops : stops.slice(0, wholeNumber(options.at, 'at', 0, stops.length))
}

async function readChanges(file: string): Promise<Change[]> {
  let data: unknown
  try {
    data = JSON.parse(new TextDecoder().decode(await readBytes(file)))
  } catch (error) {
    if (error instanceof BadInput) throw error
    throw new BadInput(`${file} is not whole JSON.`)
  }
  return (Array.isArray(data) ? data : [data]).map((one, i) => {
    const read = ChangeSchema.safeParse({ id: `added-${i + 1}`, on: true, note: '', ...(one as object) })
    if (!read.success)
      throw new BadInput(
        `${file}, change ${i + 1}, ${read.error.issues[0]!.path.join('.') || 'kind'}: ${issueWords(read.error.issues[0]!)}.`,
      )
    return read.data
  })
}

/** What altered pieces can be written as. */
const FORMATS = ['svg', 'pdf', 'dxf', 'dxf-plain', 'hpgl', 'json']

async function exportFile(
  project: Project,
  folded: FoldedPlan,
  plan: Change[],
  whole: Contents,
  options: Options,
  ruler: Ruler,
): Promise<string | Uint8Array> {
  const format = options.format ?? 'svg'
  if (format === 'json') {
    const shown = { mends: plan.slice(0, project.mends.length), plan: plan.slice(project.mends.length) }
    return writeProjectFile(
      contentsOf([{ ...project, ...shown }], whole.wearers, whole.recipes, logOf(whole, new Set([project.id]))),
      new Date(),
    )
  }
  if (!FORMATS.includes(format)) throw new WrongUse(`--format is ${FORMATS.slice(0, -1).join(', ')} or ${FORMATS.at(-1)}, not ${format}.`)
  const paper = paperOf(options)
  const wearer = whole.wearers.find((w) => w.id === project.wearerId)?.name ?? null
  const { garment } = folded
  const words = {
    garmentName: project.name,
    wearerName: wearer,
    sizeName: garment.sizes.find((s) => s.id === garment.baseSizeId)!.name,
    date: new Date().toISOString().slice(0, 10),
    changes: changesInWords(folded.stops, ruler),
    ruler,
  }
  const drawn = drawPieces(garment, garment.baseSizeId, words)
  const { sheet, tiling } = sheetFor(drawn, {
    paper,
    rollMm: widthOf(options, ROLL_MM.usual, ROLL_MM.least, ROLL_MM.most),
    marginMm: MARGIN_MM,
  })
  if (format === 'svg') return writeSvg(sheet, project.name)
  if (format === 'dxf')
    return writeTradeDxf(
      garment,
      garment.sizes.map((s) => s.id),
      project.name,
    )
  if (format === 'dxf-plain') return writePlainDxf(sheet)
  if (format === 'hpgl') return writeHpgl(plotOf(sheet, usualPens()))
  const font = async (weight: 400 | 700) =>
    new Uint8Array(
      await readFile(createRequire(import.meta.url).resolve(`@fontsource/source-sans-3/files/source-sans-3-latin-${weight}-normal.woff`)),
    )
  return writePdf(
    sheet,
    tiling,
    { garmentName: project.name, lines: [wearer ? `for ${wearer}` : words.date] },
    { regular: await font(400), bold: await font(700) },
    new Date(),
  )
}

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
async function importFile(file: string, options: Options, tell: Tell): Promise<string> {
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

const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`

/** The size that is asked for, by its name or id; the one that lies there when none is named. */
function sizeOf({ sizes, baseSizeId }: Garment, options: Options): string {
  if (options.size === undefined) return baseSizeId
  const size = sizes.find((s) => s.name === options.size) ?? sizes.find((s) => s.id === options.size)
  if (!size) throw new BadInput(`--size ${options.size}: the garment has the sizes ${sizes.map((s) => s.name).join(', ')}.`)
  return size.id
}

/** The version of that name; the newest of several. */
function versionOf(versions: readonly Version[], { version: name }: Options): Version {
  const named = newestFirst(versions)
  if (name === undefined) throw new WrongUse('compare needs --version NAME.')
  const version = named.find((v) => v.name === name)
  if (!version) {
    const there = named.length === 0 ? 'has no versions' : `has the versions ${named.map((v) => v.name).join(', ')}`
    throw new BadInput(`--version ${name}: the fit ${there}.`)
  }
  return version
}

/** The garment with the changes of a file added to its plan. */
async function applied(opened: Opened, plan: Change[], options: Options): Promise<unknown> {
  if (options.change === undefined) throw new WrongUse('apply needs --change FILE.')
  const all = [...plan, ...(await readChanges(options.change))]
  const folded = foldPlan(opened.project.garment, all, opened.context)
  const refused = folded.stops.slice(plan.length).find((s) => s.problem)
  if (refused) throw new BadInput(sentence(refused.problem!, opened.ruler))
  return { ...stopsAnswer({ ...opened, folded }), plan: all }
}

/** Fits garments to everybody of a table; gives a line for people. */
async function fitAll(file: string, options: Options, ruler: Ruler, tell: Tell): Promise<string> {
  if (options.wearers === undefined || options.out === undefined) throw new WrongUse('fit needs --wearers CSV and --out DIR.')
  const read = readBackup(await readBytes(file))
  if (!read.ok) throw new BadInput(`${file}: ${sentence(read.problem)}`)
  const wearers = readWearersCsv(new TextDecoder().decode(await readBytes(options.wearers)), unitsOf(ruler), randomUUID)
  if (!wearers.ok) throw new BadInput(`${options.wearers}: ${sentence(wearers.problem, ruler)}`)
  const { garments } = read.value.file
  if (garments.length === 0) throw new BadInput(`${file} has no garment in it.`)
  const choices: ManyChoices = {
    paper: paperOf(options),
    rollMm: ROLL_MM.usual,
    marginMm: MARGIN_MM,
    cloth: options['no-cloth'] ? null : clothOf(options),
  }
  const own = options.garment === undefined ? garments : [garmentOf(garments, options)]
  const { done, failed } = await fitMany(pairsOf(own, wearers.value), choices, ruler, options.out)
  for (const { wearer, garment, figures } of failed) tell(`${garment} for ${wearer}: ${String(figures)}`, 1)
  return `${done} ${done === 1 ? 'fit' : 'fits'} written to ${options.out}.\n`
}

async function answer(args: readonly string[], tell: Tell): Promise<{ out: string | Uint8Array; to?: string }> {
  const { command, file, options, ruler } = readArguments(args)
  const to = options.out
  if (command === 'import') return { out: await importFile(file, options, tell), to }
  if (command === 'fit') return { out: await fitAll(file, options, ruler, tell) }
  const { whole, project } = await openProject(file, options)
  const plan = planUpTo(project, options)
  const context = contextFor(project, whole.wearers)
  const folded = foldPlan(project.garment, plan, context)
  const wearer = whole.wearers.find((w) => w.id === project.wearerId) ?? null
  const opened: Opened = { project, wearer, folded, context, ruler }
  if (command === 'export') return { out: await exportFile(project, folded, plan, whole, options, ruler), to }
  const log = logOf(whole, new Set([project.id]))
  const answers: Record<Exclude<typeof command, 'import' | 'export' | 'fit'>, () => unknown> = {
    measure: () => measureAnswer(opened, sizeOf(folded.garment, options)),
    shapes: () => shapesAnswer(opened, sizeOf(folded.garment, options)),
    worksheet: () => worksheetAnswer(opened),
    plan: () => planAnswer(opened),
    stops: () => stopsAnswer(opened),
    steps: () => stepsAnswer(opened),
    notebook: () => notebookAnswer(opened),
    fittings: () => fittingsAnswer(opened, log),
    compare: () => compareAnswer(opened, versionOf(log.versions, options)),
    cloth: () => clothAnswer(opened, clothOf(options)),
    check: () => checkAnswer(opened),
    apply: () => applied(opened, plan, options),
  }
  return { out: json(await answers[command]()), to }
}

/** What a command came to. */
export interface Outcome {
  /** 0 done; 1 bad input, or not all of it done; 2 wrong use. */
  status: 0 | 1 | 2
  /** What was asked for; empty where it went into the file of `--out`. */
  out: string | Uint8Array
  /** Lines for people. */
  said: string[]
}

/** Runs the command line (`npm run core -- ...`) with the arguments that follow the program’s name. */
export async function runCommand(args: readonly string[]): Promise<Outcome> {
  const said: string[] = []
  let status: Outcome['status'] = 0
  try {
    const { out, to } = await answer(args, (line, failed) => {
      said.push(line)
      status = failed ?? status
    })
    if (to !== undefined) await writeFile(to, out)
    return { status, out: to === undefined ? out : '', said }
  } catch (error) {
    if (error instanceof WrongUse) return { status: 2, out: '', said: [...said, error.message, USE] }
    if (error instanceof BadInput) return { status: 1, out: '', said: [...said, error.message] }
    throw error
  }
}
