import { readFile } from 'node:fs/promises'
import { createRequire } from 'node:module'
import type { Change } from '../../core/changes'
import { changedPieces } from '../../core/changes'
import {
  contentsOf,
  logOf,
  plotOf,
  usualPens,
  writeHpgl,
  writePlainDxf,
  writeProjectFile,
  writeSvg,
  writeTradeDxf,
  type Contents,
} from '../../core/formats'
import { writePdf } from '../../core/formats/pdf-out'
import { writeProjectorPdf } from '../../core/formats/pdf-projector'
import { changesInWords, drawPieces, MARGIN_MM, MOST_MARGIN_MM, ROLL_MM, sheetFor, tightCautions, type SheetChoice } from '../../core/paper'
import { tightZones } from '../../core/size'
import type { Opened } from './answers'
import { BadInput } from './bad-input'
import { mmOf, paperOf, widthOf, WrongUse, type Options } from './read-arguments'

/** What altered pieces can be written as. */
const FORMATS = ['svg', 'pdf', 'projector', 'dxf', 'dxf-plain', 'hpgl', 'json']

/** How thick a cut line is thrown, mm. */
const THROWN_MM = 2

/** Which pieces go on the sheet, and how often. */
function chosenPieces({ folded }: Opened, options: Options): SheetChoice {
  const { base, garment } = folded
  const changed = options['only-changed'] ? changedPieces(base, garment, base.baseSizeId).map((p) => p.id) : undefined
  if (changed?.length === 0) throw new BadInput('--only-changed: the plan changes no piece.')
  return {
    pieceIds: changed,
    everyLayer: options['every-layer'] === true,
    otherSizes: options['all-sizes'] ? garment.sizes.map((s) => s.id) : [],
  }
}

async function fonts() {
  const { resolve } = createRequire(import.meta.url)
  const font = async (weight: 400 | 700) =>
    new Uint8Array(await readFile(resolve(`@fontsource/source-sans-3/files/source-sans-3-latin-${weight}-normal.woff`)))
  return { regular: await font(400), bold: await font(700) }
}

/** The altered pieces on a sheet, with all that the page prints on them. */
function sheetOf(opened: Opened, options: Options) {
  const { project, wearer, folded, context, ruler } = opened
  const { garment } = folded
  const words = {
    garmentName: project.name,
    wearerName: wearer?.name ?? null,
    sizeName: garment.sizes.find((s) => s.id === garment.baseSizeId)!.name,
    date: new Date().toISOString().slice(0, 10),
    changes: changesInWords(folded.stops, ruler),
    cautions: tightCautions(tightZones(garment, context.sizing, context.body), ruler),
    ruler,
  }
  return {
    words,
    ...sheetFor(drawPieces(garment, garment.baseSizeId, words, chosenPieces(opened, options)), {
      paper: paperOf(options),
      rollMm: widthOf(options, ROLL_MM.usual, ROLL_MM.least, ROLL_MM.most),
      marginMm: mmOf(options, 'margin', MARGIN_MM, 0, MOST_MARGIN_MM),
    }),
  }
}

/** A project file of the fit alone, with its plan as it was asked for. */
function projectFile({ project }: Opened, plan: readonly Change[], whole: Contents): string {
  const shown = { mends: plan.slice(0, project.mends.length), plan: plan.slice(project.mends.length) }
  return writeProjectFile(
    contentsOf([{ ...project, ...shown }], whole.wearers, whole.recipes, logOf(whole, new Set([project.id]))),
    new Date(),
  )
}

/**
 * The altered pieces as a file.
 *
 * @param plan the stops that they went through, those for everybody first
 * @param whole the file that they came from
 * @throws WrongUse for a format that there is not, BadInput where there is nothing to write
 */
export async function exportFile(opened: Opened, plan: readonly Change[], whole: Contents, options: Options): Promise<string | Uint8Array> {
  const format = options.format ?? 'svg'
  if (!FORMATS.includes(format)) throw new WrongUse(`--format is ${FORMATS.slice(0, -1).join(', ')} or ${FORMATS.at(-1)}, not ${format}.`)
  const { project, folded } = opened
  if (format === 'json') return projectFile(opened, plan, whole)
  if (format === 'dxf')
    return writeTradeDxf(
      folded.garment,
      folded.garment.sizes.map((s) => s.id),
      project.name,
    )
  const { sheet, tiling, words } = sheetOf(opened, options)
  if (format === 'svg') return writeSvg(sheet, project.name)
  if (format === 'dxf-plain') return writePlainDxf(sheet)
  if (format === 'hpgl') return writeHpgl(plotOf(sheet, usualPens()))
  if (format === 'projector') return writeProjectorPdf(sheet, project.name, { thickMm: THROWN_MM, isDark: true }, await fonts(), new Date())
  const lines = [words.wearerName ? `for ${words.wearerName}` : words.date]
  return writePdf(sheet, tiling, { garmentName: project.name, lines }, await fonts(), new Date())
}
