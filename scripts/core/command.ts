import { randomUUID } from 'node:crypto'
import { writeFile } from 'node:fs/promises'
import { readWearersCsv } from '../../core/body'
import { contextOf, foldPlan, type Change } from '../../core/changes'
import { meetingsOf, type Cloth } from '../../core/cloth'
import { newestFirst, type Version } from '../../core/fittings'
import { logOf, projectsOf, readBackup, stopsOf, type Contents, type Project } from '../../core/formats'
import type { ManyChoices } from '../../core/many'
import { DEFAULT_TOLERANCES } from '../../core/match'
import { MARGIN_MM, ROLL_MM } from '../../core/paper'
import type { Garment } from '../../core/pattern'
import { unitsOf, type Ruler } from '../../core/units'
import { pairsOf } from '../../server/many/batches'
import { readSaid, withAdded } from './added-stops'
import {
  checkAnswer,
  compareAnswer,
  fittingsAnswer,
  measureAnswer,
  notebookAnswer,
  planAnswer,
  stepsAnswer,
  stopsAnswer,
  tissueAnswer,
  wishAnswer,
  worksheetAnswer,
  type Opened,
} from './answers'
import { BadInput, readBytes, sentence, type Tell } from './bad-input'
import { exportFile } from './export-file'
import { fitMany } from './fit-many'
import { importFile, sizeOf } from './import-file'
import { clothAnswer, shapesAnswer } from './pieces-as-data'
import { clothOf, paperOf, readArguments, USE, WrongUse, type Options } from './read-arguments'

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

/** The stops of a fit, those for everybody first; only so many as are asked for. */
function planUpTo(project: Project, options: Options): Change[] {
  const stops = stopsOf(project)
  return options.at === undefined ? stops : stops.slice(0, wholeNumber(options.at, 'at', 0, stops.length))
}

const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`

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

/** What is understood of the one sentence that was said. */
function wishSaid(opened: Opened, { say = [] }: Options) {
  if (say.length !== 1) throw new WrongUse('wish needs one --say TEXT.')
  return wishAnswer(opened, say[0]!, readSaid(opened, say[0]!))
}

/** The cloth as it was asked for, with the notches at which seams meet on the same stripe. */
function clothFor(garment: Garment, options: Options): Cloth {
  const all = meetingsOf(garment, new Set(garment.pieces.map((p) => p.id)), {})
  const meets = (options.meets ?? []).map((one) => {
    const [seam = '', mark = ''] = one.split(/=(?=[^=]*$)/).map((part) => part.trim().toLowerCase())
    const found = all.find((m) => [m.seamName.toLowerCase(), m.seamId.toLowerCase()].includes(seam))
    if (!found) throw new BadInput(`--meets ${one}: seams that can meet are ${all.map((m) => m.seamName).join(', ')}.`)
    const at = found.marks.find((m) => [m.name.toLowerCase(), m.id.toLowerCase()].includes(mark))
    if (!at && mark !== 'nowhere')
      throw new BadInput(`--meets ${one}: ${found.seamName} can meet at ${[...found.marks.map((m) => m.name), 'nowhere'].join(', ')}.`)
    return [found.seamId, at?.id ?? null] as const
  })
  return { ...clothOf(options), meets: Object.fromEntries(meets) }
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
  const stops = planUpTo(project, options)
  const wearer = whole.wearers.find((w) => w.id === project.wearerId) ?? null
  const context = contextOf(project.garment, project, wearer, DEFAULT_TOLERANCES)
  const found: Opened = { project, wearer, folded: foldPlan(project.garment, stops, context), context, ruler }
  if (command === 'wish') return { out: json(wishSaid(found, options)), to }
  const { opened, plan } = await withAdded(found, stops, options)
  if (command === 'export') return { out: await exportFile(opened, plan, whole, options), to }
  const log = logOf(whole, new Set([project.id]))
  const { garment } = opened.folded
  const answers: Record<Exclude<typeof command, 'import' | 'export' | 'fit' | 'wish'>, () => unknown> = {
    measure: () => measureAnswer(opened, sizeOf(garment, options)),
    shapes: () => shapesAnswer(opened, sizeOf(garment, options)),
    worksheet: () => worksheetAnswer(opened),
    plan: () => planAnswer(opened),
    stops: () => stopsAnswer(opened),
    steps: () => stepsAnswer(opened),
    tissue: () => tissueAnswer(opened),
    notebook: () => notebookAnswer(opened),
    fittings: () => fittingsAnswer(opened, log),
    compare: () => compareAnswer(opened, versionOf(log.versions, options)),
    cloth: () => clothAnswer(opened, clothFor(garment, options)),
    check: () => checkAnswer(opened),
    apply: () => {
      if (!options['from-body'] && options.change === undefined && !options.say)
        throw new WrongUse('apply needs --from-body, --change FILE or --say TEXT.')
      return { ...stopsAnswer(opened), plan }
    },
  }
  return { out: json(answers[command]()), to }
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
