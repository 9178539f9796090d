import { z } from 'zod'
import {
  countFaults,
  asOwn,
  layOnPlan,
  listFaults,
  planFromBody,
  planSizes,
  askedGiven,
  foldOwnStops,
  sizeUp,
  ownStops,
  type AskedGiven,
} from '../advice'
import { latestSet, type Wearer } from '../body'
import { contextOf, foldPlan, withId, type Change, type ChangeContext, type FoldedPlan } from '../changes'
import { lengthToBuy, makeLay, USUAL_ROUNDS, usualCounts, wantedOf, type Lay } from '../cloth'
import { emptyFit, FitRowSchema, joinProject, stopsOf, type FitRow, type GarmentRow, type Project } from '../formats'
import type { Tolerances } from '../match'
import { walkGarment } from '../match'
import { changesInWords, drawPieces, sheetFor, tightCautions, type Sheet, type SheetWords, type Tiling } from '../paper'
import { problemSentence, type Result } from '../result'
import { CUT_ZONES, sizeWords, tightZones } from '../size'
import type { Ruler } from '../units'
import type { ManyChoices } from './choices'

const Count = z.int().min(0)
const Mm = z.number().finite()
const Words = z.string().max(2000)

/** What a fit comes to: the same figures as its stations show, for a table of many. */
export const FitFiguresSchema = z.strictObject({
  /** The size that is cut at bust, waist and hip, where the wearer has a figure. */
  sizes: z.array(z.strictObject({ zone: Words, size: Words })),
  /** Stops that were done, and what those are called that were not. */
  stops: Count,
  stuck: z.array(Words),
  /** What the body asks for and the pieces do not give: how much is missing, mm, negative where it is too much, and why. */
  left: z.array(z.strictObject({ name: Words, leftMm: Mm, reason: Words })),
  seams: Count,
  faults: z.strictObject({ seam: Count, notch: Count, corner: Count, dart: Count, eased: Count }),
  pages: Count,
  /** Main cloth to buy, mm; null where nobody asked, or it cannot be laid. */
  clothMm: Mm.nullable(),
  clothProblem: Words.nullable(),
})
export type FitFigures = z.infer<typeof FitFiguresSchema>

/** A fit that was worked out for one wearer, before anybody takes it. */
export const MadeFitSchema = z.strictObject({
  choices: FitRowSchema.shape.choices,
  plan: FitRowSchema.shape.plan,
  figures: FitFiguresSchema,
  /** The orders in which its pieces lie on the main cloth: the same lay is made again without a search. Empty where it was not laid. */
  layOrders: z.array(z.array(Count)).default([]),
})
export type MadeFit = z.infer<typeof MadeFitSchema>

/** One garment for one wearer. */
export interface Pair {
  row: GarmentRow
  wearer: Wearer
  /** The fit that is there already, which is looked at as it is; null where one is to be begun. */
  there: FitRow | null
}

/** A fit as every figure and file of it is made. */
export interface OpenedFit {
  project: Project
  wearer: Wearer
  folded: FoldedPlan
  context: ChangeContext
}

/** What a body asks for on a pattern that may be mended for everybody already, and the fold of it where it is known by then. */
function planFor(row: GarmentRow, context: ChangeContext, newId: () => string): { plan: Change[]; folded?: FoldedPlan } {
  if (row.mends.length === 0) {
    const { folded } = planFromBody(row.garment, context)
    const stops = folded.stops.map((s) => ({ ...s, change: withId(s.change, newId()) }))
    return { plan: stops.map((s) => s.change), folded: { ...folded, stops } }
  }
  const mended = foldPlan(row.garment, ownStops(row.mends), context)
  const own = mended.stops.filter((s) => s.status === 'applied').map((s) => s.change)
  const proposed = planSizes(mended.garment, context, own)
  // A stop for everybody is not set to the figures of one: what is still missing is a stop of this fit.
  const laid = layOnPlan(proposed, row.mends.map(asOwn))
  return { plan: laid.flatMap((l) => (l.how === 'set' || l.how === 'add' ? [withId(l.proposed, newId())] : [])) }
}

/** Folds a fit: its own stops, or, where nothing of it is there, those that the body asks for. */
export function openFit({ row, wearer, there }: Pair, tolerances: Tolerances, now: string, newId: () => string): OpenedFit {
  const begun = joinProject(row, there ?? emptyFit(newId(), row.id, wearer.id, now))
  const context = contextOf(row.garment, begun, wearer, tolerances)
  const asked = there ? { plan: begun.plan } : planFor(row, context, newId)
  const project = { ...begun, plan: asked.plan }
  return { project, wearer, folded: foldPlan(row.garment, stopsOf(project), context, asked.folded), context }
}

/** A fit that was made before, opened again with its stops. */
export const reopenFit = (
  pair: Pair,
  { choices, plan }: Pick<MadeFit, 'choices' | 'plan'>,
  tolerances: Tolerances,
  now: string,
): OpenedFit =>
  openFit(
    { ...pair, there: { ...(pair.there ?? emptyFit('made', pair.row.id, pair.wearer.id, now)), choices, plan } },
    tolerances,
    now,
    () => 'made',
  )

/** The worksheet of a fit, as its station Size shows it: on what the stops leave that do not give the sizes, and as traced. */
const sheetOf = ({ folded, context }: OpenedFit) => sizeUp(foldOwnStops(folded, context).garment, context).sheet

/** What is written on the pieces of a fit. @param date as it stands on paper */
export function wordsOf({ project, wearer, folded, context }: OpenedFit, date: string, ruler: Ruler): SheetWords {
  const { sizes, baseSizeId } = folded.garment
  return {
    garmentName: project.name,
    wearerName: wearer.name,
    sizeName: sizes.find((s) => s.id === baseSizeId)?.name ?? '',
    date,
    changes: changesInWords(folded.stops, ruler),
    cautions: tightCautions(tightZones(folded.garment, context.sizing, context.body), ruler),
    ruler,
  }
}

/** The pages of a fit. */
export function sheetsOf({ folded: { garment } }: OpenedFit, words: SheetWords, choices: ManyChoices): { sheet: Sheet; tiling: Tiling } {
  return sheetFor(drawPieces(garment, garment.baseSizeId, words), choices)
}

/** How the main cloth of a fit is laid; null where nobody asks. @param orders those of the same lay, where it was found before */
export function layOf({ folded: { garment } }: OpenedFit, { cloth }: ManyChoices, orders: number[][] = []): Result<Lay> | null {
  if (!cloth) return null
  const wanted = wantedOf(garment, Object.fromEntries(garment.pieces.map((p) => [p.id, usualCounts(p).main])))
  return makeLay(garment, garment.baseSizeId, wanted, cloth, { rounds: USUAL_ROUNDS, orders })
}

const isLeft = (a: AskedGiven): a is AskedGiven & { leftMm: number; reason: string } => a.reason !== null && a.leftMm !== null

/** What a fit comes to. Nothing is measured but by the measures that its stations show. @param lay its cloth, where it was laid already */
export function figuresOf(opened: OpenedFit, choices: ManyChoices, lay = layOf(opened, choices)): FitFigures {
  const { project, wearer, folded, context } = opened
  const set = latestSet(wearer)
  const asked = set ? askedGiven(project.garment, folded.garment, folded.stops, { sizing: project.sizing, body: set }) : []
  const { tiling } = sheetsOf(opened, wordsOf(opened, '', 'cm'), choices)
  return {
    sizes: sheetOf(opened).rows.flatMap(({ zone, bodyMm, chosen }) =>
      bodyMm === null || !chosen || !CUT_ZONES.includes(zone.id) ? [] : [{ zone: zone.name, size: sizeWords(project.garment, chosen) }],
    ),
    stops: folded.stops.filter((s) => s.status === 'applied').length,
    stuck: folded.stops.filter((s) => s.status === 'refused' || s.status === 'orphan').map((s) => s.words.title),
    left: asked.filter(isLeft).map(({ name, leftMm, reason }) => ({ name, leftMm, reason })),
    seams: walkGarment(folded.garment, context.sizeId, context.tolerances).seams.length,
    faults: countFaults(listFaults(folded, context)),
    pages: tiling.pages.filter((p) => !p.empty).length,
    clothMm: lay?.ok ? lengthToBuy(lay.value) : null,
    clothProblem: lay && !lay.ok ? problemSentence(lay.problem) : null,
  }
}

/**
 * Works out one fit of many.
 *
 * @param now the day and time that it is begun, ISO
 * @param newId gives ids for new stops
 */
export function makeFit(pair: Pair, choices: ManyChoices, tolerances: Tolerances, now: string, newId: () => string): MadeFit {
  const opened = openFit(pair, tolerances, now, newId)
  const { choices: own } = pair.there ?? emptyFit('made', pair.row.id, pair.wearer.id, now)
  const lay = layOf(opened, choices)
  return { choices: own, plan: opened.project.plan, figures: figuresOf(opened, choices, lay), layOrders: lay?.ok ? lay.value.orders : [] }
}
