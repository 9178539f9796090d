import { parseArgs } from 'node:util'
import { CLOTH_MM, MOST_REPEAT_MM, usualCloth, type Cloth } from '../../core/cloth'
import { PAPER_IDS, type PaperId } from '../../core/paper'
import { RULERS, type Ruler } from '../../core/units'

/** Wrong use of the command: exit 2. */
export class WrongUse extends Error {}

export const COMMANDS = [
  'measure',
  'shapes',
  'worksheet',
  'plan',
  'stops',
  'steps',
  'tissue',
  'notebook',
  'fittings',
  'compare',
  'cloth',
  'fit',
  'check',
  'wish',
  'apply',
  'export',
  'import',
] as const
export type Command = (typeof COMMANDS)[number]

export const USE = `Use: npm run -s core -- COMMAND FILE [options]
  measure FILE              every figure of the garment as altered
  shapes FILE               its pieces as data: edges, corners, notches, darts and inner lines
  worksheet FILE            body, finished measures and ease zone by zone, the size to cut, what to trace
  plan FILE                 the stops that the wearer's figures ask for, and what the order of the plan costs
  stops FILE                the stops of the plan: promises, cautions, ledger
  steps FILE                the plan with ruler and scissors
  tissue FILE               asked, given and left over of every zone and length, and the tissue fitting from the top down
  notebook FILE             the page for the folder: body, sizes and ease before and after, stops with their why, what is left over
  fittings FILE             its fittings with what may mend what is still open, and its versions with what each of them changed
  compare FILE --version V  every figure of that version beside those of the plan
  cloth FILE                how its pieces lie on a cloth, how much is needed, and what to mind while cutting
  fit FILE --wearers CSV    every garment of the file, or that of --garment, for every wearer of a table: a folder of files for each into --out DIR
  check FILE                seams walked, and the faults worst first; exit 0 also when there are faults
  wish FILE --say TEXT      what is understood of a sentence such as “shorten the sleeve by 2”: the change that is meant, or those that may be
  apply FILE                the plan with what --from-body, --change and --say add: as stops, with the new plan
  export FILE               the altered pieces as a file: --format svg|pdf|projector|dxf|dxf-plain|hpgl|json (default svg)
  import FILE               an SVG, PDF or DXF file, or a photograph of paper pieces, as a project file: pieces, first guesses, proposed seams
Options: --garment X (which garment of the file, by its name or from 1), --fit N (which of its fits, from 1; the one last worked on), --at N (after stop N of the plan, 0 is as bought),
  --size NAME (another size than the one that lies there: measure, shapes; which size of a nest lies there: import), --units in|cm (of sentences and steps; default cm),
  --mark 1/16|1/8|1mm|0.5mm (the finest that they are written to; default 1/16 in, 1 mm),
  --from-body (the plan that the wearer's figures ask for, taken), --change FILE (changes from a file), --say TEXT (a sentence that is clear; may be given again): added to the plan before any command,
  --version NAME, --wearers CSV (fit), --no-cloth (fit: do not lay the pieces, which takes longest), --format NAME, --paper a4|letter|a3|a0|roll, --width MM (of the cloth, or the roll), --margin MM (the rim that the printer leaves white), --only-changed, --every-layer (each piece as often as it is cut), --all-sizes (export: over each other), --folded, --one-way, --stripes MM, --stripes-along MM (of the cloth: from one stripe across it, or along it, to the next), --meets "SEAM=NOTCH" (where a seam meets on the same stripe, or nowhere),
  --pages N[,MM] (import: pages of a PDF side by side, and their overlap), --layer NAME=WHAT (import: what a layer of the file holds: cut line, seam line, grain, notch, fold line, drill hole, inner line, nothing), --rules FILE (import: the rule table that goes with a DXF), --beside a4|letter|a3|a5|card|LONGxSHORT, --corners X,Y,X,Y,X,Y,X,Y (import: what lies beside the pieces of a photograph, mm, and where, dots),
  --out FILE (instead of standard output)`

const OPTIONS = {
  garment: { type: 'string' },
  fit: { type: 'string' },
  at: { type: 'string' },
  size: { type: 'string' },
  units: { type: 'string' },
  mark: { type: 'string' },
  change: { type: 'string' },
  say: { type: 'string', multiple: true },
  'from-body': { type: 'boolean' },
  wearers: { type: 'string' },
  'no-cloth': { type: 'boolean' },
  version: { type: 'string' },
  format: { type: 'string' },
  pages: { type: 'string' },
  layer: { type: 'string', multiple: true },
  rules: { type: 'string' },
  beside: { type: 'string' },
  corners: { type: 'string' },
  paper: { type: 'string' },
  width: { type: 'string' },
  margin: { type: 'string' },
  'only-changed': { type: 'boolean' },
  'every-layer': { type: 'boolean' },
  'all-sizes': { type: 'boolean' },
  folded: { type: 'boolean' },
  'one-way': { type: 'boolean' },
  stripes: { type: 'string' },
  'stripes-along': { type: 'string' },
  meets: { type: 'string', multiple: true },
  out: { type: 'string' },
} as const
type Named = typeof OPTIONS
export type Options = {
  [K in keyof Named]?: Named[K]['type'] extends 'boolean' ? boolean : Named[K] extends { multiple: true } ? string[] : string
}

const OF_A_FIT = COMMANDS.filter((c) => c !== 'import' && c !== 'fit')
const ON_CLOTH: readonly Command[] = ['cloth', 'fit']

/** What each option is for; one that is not named is for all commands. */
const FOR: Partial<Record<keyof Named, readonly Command[]>> = {
  garment: [...OF_A_FIT, 'fit'],
  fit: OF_A_FIT,
  at: OF_A_FIT,
  say: OF_A_FIT,
  change: OF_A_FIT.filter((c) => c !== 'wish'),
  'from-body': OF_A_FIT.filter((c) => c !== 'wish'),
  size: ['measure', 'shapes', 'import'],
  version: ['compare'],
  wearers: ['fit'],
  'no-cloth': ['fit'],
  format: ['export'],
  paper: ['export', 'fit'],
  width: ['export', ...ON_CLOTH],
  margin: ['export'],
  'only-changed': ['export'],
  'every-layer': ['export'],
  'all-sizes': ['export'],
  folded: ON_CLOTH,
  'one-way': ON_CLOTH,
  stripes: ON_CLOTH,
  'stripes-along': ON_CLOTH,
  meets: ['cloth'],
  pages: ['import'],
  layer: ['import'],
  rules: ['import'],
  beside: ['import'],
  corners: ['import'],
}

/** An option that does nothing for a command is a mistake of who typed it, and never dropped without a word. @throws WrongUse */
function checkUsed(command: Command, options: Options): void {
  for (const name of Object.keys(options) as (keyof Named)[]) {
    const commands = FOR[name] ?? COMMANDS
    if (!commands.includes(command)) throw new WrongUse(`--${name} does nothing for ${command}: it is for ${commands.join(', ')}.`)
  }
}

function parsed(args: readonly string[]) {
  try {
    return parseArgs({ args, options: OPTIONS, allowPositionals: true })
  } catch (error) {
    const { code, message } = error as Error & { code?: string }
    const option = /'(--?[^' ]+)/.exec(message)?.[1] ?? 'An option'
    throw new WrongUse(code === 'ERR_PARSE_ARGS_UNKNOWN_OPTION' ? `${option} is not an option.` : `${option} needs a value.`)
  }
}

/** What was asked on the command line. @throws WrongUse */
export function readArguments(args: readonly string[]): { command: Command; file: string; options: Options; ruler: Ruler } {
  const { values, positionals } = parsed(args)
  const [word, ...files] = positionals
  const command = COMMANDS.find((c) => c === word)
  if (!command) throw new WrongUse(word === undefined ? 'Say what to do.' : `“${word}” is not a command.`)
  if (files.length !== 1) throw new WrongUse('Name one file.')
  checkUsed(command, values)
  return { command, file: files[0]!, options: values, ruler: rulerOf(values) }
}

/** @throws WrongUse for a unit that there is not, or a mark that its rulers do not have */
function rulerOf({ units = 'cm', mark }: Options): Ruler {
  if (units !== 'in' && units !== 'cm') throw new WrongUse(`--units is in or cm, not ${units}.`)
  if (mark === undefined) return units
  const plain = (text: string) => text.replace(/\s|in$/g, '')
  const own = (Object.keys(RULERS) as Ruler[]).filter((r) => RULERS[r].units === units)
  const found = own.find((r) => plain(RULERS[r].mark) === plain(mark))
  if (!found) throw new WrongUse(`--mark for ${units} is ${own.map((r) => plain(RULERS[r].mark)).join(' or ')}, not ${mark}.`)
  return found
}

/** A length in millimetres as it was asked for by an option. @throws WrongUse where it is none between two bounds */
export function mmOf(
  options: Options,
  name: 'width' | 'margin' | 'stripes' | 'stripes-along',
  usual: number,
  least: number,
  most: number,
): number {
  const text = options[name]
  if (text === undefined) return usual
  const mm = Number(text)
  if (!(mm >= least && mm <= most)) throw new WrongUse(`--${name} is between ${least} and ${most} mm, not ${text}.`)
  return mm
}

/** The paper that is asked for. @throws WrongUse */
export function paperOf({ paper: asked = 'a4' }: Options): PaperId {
  const paper = PAPER_IDS.find((id) => id === asked)
  if (!paper) throw new WrongUse(`--paper is ${PAPER_IDS.slice(0, -1).join(', ')} or ${PAPER_IDS.at(-1)}, not ${asked}.`)
  return paper
}

/** A width in millimetres as it was asked for. @throws WrongUse where it is none between two bounds */
export const widthOf = (options: Options, usual: number, least: number, most: number): number => mmOf(options, 'width', usual, least, most)

/** The cloth as it was asked for. @throws WrongUse */
export const clothOf = (options: Options): Cloth => ({
  ...usualCloth(),
  widthMm: widthOf(options, CLOTH_MM.usual, CLOTH_MM.least, CLOTH_MM.most),
  isFolded: options.folded === true,
  isOneWay: options['one-way'] === true,
  repeatMm: mmOf(options, 'stripes', 0, 0, MOST_REPEAT_MM),
  repeatAcrossMm: mmOf(options, 'stripes-along', 0, 0, MOST_REPEAT_MM),
})
