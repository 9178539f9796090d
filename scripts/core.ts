import { readFile, writeFile } from 'node:fs/promises'
import { createRequire } from 'node:module'
import { listFaults } from '../core/advice'
import { ChangeSchema, contextOf, foldPlan, type Change, type ChangeContext, type FoldedPlan } from '../core/changes'
import { readProjectFile, readSvg, writeProjectFile, writeSvg, type Project, type ProjectFile } from '../core/formats'
import { writePdf } from '../core/formats/pdf-out'
import { bringIn } from '../core/import'
import { issueWords } from '../core/issue-words'
import { DEFAULT_TOLERANCES, walkGarment } from '../core/match'
import { compareMeasures, measureGarment } from '../core/measure'
import { layOutSheet, PAPER_SIZES, tilePages } from '../core/paper'
import { checkGarment, toName } from '../core/pattern'
import { problemSentence, type Problem } from '../core/result'
import { NO_SIZING } from '../core/size'
import { writeLengths } from '../core/units'

/** Bad input: a plain sentence on standard error, exit 1. */
class BadInput extends Error {}
/** Wrong use of the command: exit 2. */
class WrongUse extends Error {}

const USE = `Use: npm run -s core -- measure|check|apply|export|import FILE [options]
  measure FILE              every figure of the garment as altered
  check FILE                seams walked, and the faults worst first; exit 0 also when there are faults
  apply FILE --change C     the plan with the changes of file C added: ledger, promises, cautions
  export FILE               the altered pieces as a file: --format svg|pdf|json (default svg)
  import FILE               an SVG file as a project file: pieces, first guesses, proposed seams
Options: --garment N (which garment of the file, from 1), --at N (after stop N of the plan, 0 is as bought),
  --change FILE, --format svg|pdf|json, --paper a4|letter, --out FILE (instead of standard output)`

const OPTIONS = ['garment', 'at', 'change', 'format', 'paper', 'out'] as const
type Options = Partial<Record<(typeof OPTIONS)[number], string>>

function readArguments(args: string[]): { command: string; file: string; options: Options } {
  const [command, ...rest] = args
  const options: Options = {}
  const files: string[] = []
  for (let i = 0; i < rest.length; i++) {
    const word = rest[i]!
    if (!word.startsWith('--')) {
      files.push(word)
      continue
    }
    const name = OPTIONS.find((o) => word === `--${o}`)
    const value = rest[++i]
    if (!name || value === undefined) throw new WrongUse(name ? `${word} needs a value.` : `${word} is not an option.`)
    options[name] = value
  }
  if (!command || !['measure', 'check', 'apply', 'export', 'import'].includes(command))
    throw new WrongUse(command ? `“${command}” is not a command.` : 'Say what to do.')
  if (files.length !== 1) throw new WrongUse('Name one file.')
  return { command, file: files[0]!, options }
}

const sentence = (problem: Problem): string => writeLengths(problemSentence(problem), 'cm')

async function readText(file: string): Promise<string> {
  return readFile(file, 'utf8').catch((error: NodeJS.ErrnoException) => {
    throw new BadInput(error.code === 'ENOENT' ? `There is no file ${file}.` : `${file} cannot be read: ${error.message}.`)
  })
}

function wholeNumber(text: string, name: string, low: number, high: number): number {
  const n = Number(text)
  if (!Number.isInteger(n) || n < low || n > high) throw new BadInput(`--${name} takes a whole number from ${low} to ${high}, not ${text}.`)
  return n
}

async function openProject(file: string, options: Options): Promise<{ whole: ProjectFile; project: Project }> {
  const read = readProjectFile(await readText(file))
  if (!read.ok) throw new BadInput(`${file}: ${sentence(read.problem)}`)
  const { projects } = read.value
  if (projects.length === 0) throw new BadInput(`${file} has no garment in it.`)
  if (options.garment === undefined && projects.length > 1)
    throw new BadInput(
      `${file} has ${projects.length} garments (${projects.map((p, i) => `${i + 1} ${p.name}`).join(', ')}): choose one with --garment N.`,
    )
  const index = options.garment === undefined ? 0 : wholeNumber(options.garment, 'garment', 1, projects.length) - 1
  return { whole: read.value, project: projects[index]! }
}

function contextFor(project: Project, wearers: ProjectFile['wearers']): ChangeContext {
  return contextOf(project.garment, project, wearers.find((w) => w.id === project.wearerId) ?? null, DEFAULT_TOLERANCES)
}

function planUpTo(project: Project, options: Options): Change[] {
  return options.at === undefined ? project.plan : project.plan.slice(0, wholeNumber(options.at, 'at', 0, project.plan.length))
}

async function readChanges(file: string): Promise<Change[]> {
  let data: unknown
  try {
    data = JSON.parse(await readText(file))
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

/** The stops of a plan as plain figures. */
function stopRows(folded: FoldedPlan, { sizeId, sizing }: ChangeContext) {
  let before = folded.base
  return folded.stops.map((stop) => {
    const ledger = stop.applied ? compareMeasures(before, stop.garment, sizeId, sizing) : []
    const row = {
      id: stop.change.id,
      kind: stop.change.kind,
      title: stop.words.title,
      status: stop.status,
      problem: stop.problem,
      touched: stop.applied?.touched.map((t) => ({ pieceId: t.pieceId, how: t.how })) ?? [],
      leftOut: stop.applied?.leftOut ?? [],
      held: stop.applied?.held ?? [],
      cautions: stop.applied?.cautions.map(({ code, message }) => ({ code, message: writeLengths(message, 'cm') })) ?? [],
      ledger,
    }
    before = stop.garment
    return row
  })
}

async function exportFile(
  project: Project,
  folded: FoldedPlan,
  plan: Change[],
  whole: ProjectFile,
  options: Options,
): Promise<string | Uint8Array> {
  const format = options.format ?? 'svg'
  if (format === 'json') return writeProjectFile([{ ...project, plan }], whole.wearers, new Date())
  if (format !== 'svg' && format !== 'pdf') throw new WrongUse(`--format is svg, pdf or json, not ${format}.`)
  const paperName = options.paper ?? 'a4'
  if (paperName !== 'a4' && paperName !== 'letter') throw new WrongUse(`--paper is a4 or letter, not ${paperName}.`)
  const paper = PAPER_SIZES[paperName]
  const wearer = whole.wearers.find((w) => w.id === project.wearerId)?.name ?? null
  const { garment } = folded
  const words = {
    garmentName: project.name,
    wearerName: wearer,
    sizeName: garment.sizes.find((s) => s.id === garment.baseSizeId)!.name,
    date: new Date().toISOString().slice(0, 10),
    changes: folded.stops.filter((s) => s.status === 'applied').map((s) => s.words.title),
  }
  const sheet = layOutSheet(garment, garment.baseSizeId, words, 5 * (paper.widthMm - 30) + 10)
  if (format === 'svg') return writeSvg(sheet, project.name)
  const font = async (weight: 400 | 700) =>
    new Uint8Array(
      await readFile(createRequire(import.meta.url).resolve(`@fontsource/source-sans-3/files/source-sans-3-latin-${weight}-normal.woff`)),
    )
  return writePdf(
    sheet,
    tilePages(sheet, paper),
    { garmentName: project.name, lines: [wearer ? `for ${wearer}` : words.date] },
    { regular: await font(400), bold: await font(700) },
    new Date(),
  )
}

/** An SVG file as a garment, with the same first guesses as the tray makes. */
async function importFile(file: string): Promise<string> {
  const read = readSvg(await readText(file))
  if (!read.ok) throw new BadInput(`${file}: ${sentence(read.problem)}`)
  const brought = bringIn(read.value)
  if (!brought.ok) throw new BadInput(`${file}: ${sentence(brought.problem)}`)
  const { garment, leftOut } = brought.value
  for (const { name, why } of [...read.value.leftOut, ...leftOut]) console.error(`${name} is left out: ${why}`)
  if (garment.pieces.length === 0) throw new BadInput(`${file} has no usable piece in it.`)
  const problem = checkGarment(garment)
  if (problem) throw new BadInput(`${file}: ${sentence(problem)}`)
  const now = new Date().toISOString()
  const name = toName(file.replace(/^.*\/|\.[^.]+$/g, '')) || 'imported'
  return writeProjectFile(
    [{ id: 'imported', name, wearerId: null, garment, sizing: NO_SIZING, plan: [], createdAt: now, updatedAt: now }],
    [],
    new Date(),
  )
}

const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`

async function run(args: string[]): Promise<void> {
  const { command, file, options } = readArguments(args)
  let out: string | Uint8Array
  if (command === 'import') out = await importFile(file)
  else {
    const { whole, project } = await openProject(file, options)
    const plan = planUpTo(project, options)
    const context = contextFor(project, whole.wearers)
    const { sizeId: size, sizing } = context
    const folded = foldPlan(project.garment, plan, context)
    if (command === 'measure') out = json({ garment: project.name, measures: measureGarment(folded.garment, size, sizing) })
    else if (command === 'check') {
      const faults = listFaults(folded, context).map((f) => ({
        ...f,
        message: writeLengths(f.message, 'cm'),
        mends: f.mends.map((m) => ({ ...m, label: writeLengths(m.label, 'cm') })),
      }))
      out = json({ garment: project.name, faults, ...walkGarment(folded.garment, size, context.tolerances) })
    } else if (command === 'apply') {
      if (options.change === undefined) throw new WrongUse('apply needs --change FILE.')
      const all = [...plan, ...(await readChanges(options.change))]
      const after = foldPlan(project.garment, all, context)
      const refused = after.stops.slice(plan.length).find((s) => s.problem)
      if (refused) throw new BadInput(sentence(refused.problem!))
      out = json({
        garment: project.name,
        stops: stopRows(after, context),
        ledger: compareMeasures(after.base, after.garment, size, sizing),
        plan: all,
      })
    } else out = await exportFile(project, folded, plan, whole, options)
  }
  if (options.out !== undefined) await writeFile(options.out, out)
  else process.stdout.write(out)
}

run(process.argv.slice(2)).catch((error: unknown) => {
  if (error instanceof WrongUse) {
    console.error(`${error.message}\n${USE}`)
    process.exitCode = 2
  } else if (error instanceof BadInput) {
    console.error(error.message)
    process.exitCode = 1
  } else throw error
})
