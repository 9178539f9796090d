import {
  adviseOrder,
  askedGiven,
  foldOwnStops,
  layOnPlan,
  listFaults,
  nameProposed,
  offersOf,
  planFromBody,
  sizeUp,
  type Offer,
  type WishAnswer,
} from '../../core/advice'
import type { Wearer } from '../../core/body'
import { findKind, foldPlan, stepsOf, type ChangeContext, type FoldedPlan } from '../../core/changes'
import {
  compareFigures,
  mendPin,
  mendSign,
  newestFirst,
  pinWords,
  questionsOf,
  seenWords,
  stopsSince,
  type ComparedSide,
  type FittingMend,
  type Version,
} from '../../core/fittings'
import type { Contents, Project } from '../../core/formats'
import { walkGarment } from '../../core/match'
import { compareMeasures, measureGarment } from '../../core/measure'
import { makeFittingLog, makeNotebook } from '../../core/paper'
import type { Garment } from '../../core/pattern'
import { problemSentence } from '../../core/result'
import { chosenSizes, listToTrace } from '../../core/size'
import { tissueRows } from '../../core/tissue'
import { unitsOf, writeLengths, type Ruler } from '../../core/units'

/** A garment with its plan folded, as every answer looks at it. */
export interface Opened {
  project: Project
  wearer: Wearer | null
  folded: FoldedPlan
  context: ChangeContext
  /** What sentences and steps are written by. */
  ruler: Ruler
}

/** Every figure of the garment as altered, in one size. */
export const measureAnswer = ({ project, folded, context }: Opened, sizeId: string) => ({
  garment: project.name,
  size: sizeId,
  measures: measureGarment(folded.garment, sizeId, context.sizing),
})

/** The pieces that the worksheet is made of: as the stops leave them that do not give the zones their sizes, and as traced. */
export function workedOn({ folded, context }: Opened) {
  const before = foldOwnStops(folded, context)
  return { own: before.stops.filter((s) => s.status === 'applied').map((s) => s.change), garment: before.garment }
}

/** Station 2: body, finished measures and ease, the size to cut and what to trace. */
export function worksheetAnswer(opened: Opened) {
  const { project, context, ruler } = opened
  const { traced, sheet } = sizeUp(workedOn(opened).garment, context)
  const words = (text: string) => writeLengths(text, ruler)
  return {
    garment: project.name,
    school: sheet.school,
    schoolWhy: sheet.schoolWhy,
    rows: sheet.rows.map(({ zone, chosen, ...row }) => ({
      id: zone.id,
      name: zone.name,
      ...row,
      chosen: chosen && { ...chosen, why: words(chosen.why) },
    })),
    lengths: sheet.lengths,
    cup: sheet.cup && { ...sheet.cup, message: words(sheet.cup.message) },
    trace: listToTrace(traced, chosenSizes(sheet)),
  }
}

/** What the body asks for, and where it would go in the plan; what the order of the plan costs. */
export function planAnswer(opened: Opened) {
  const { project, folded, context, ruler } = opened
  const { own, garment } = workedOn(opened)
  const planned = planFromBody(garment, context, own)
  const named = nameProposed(planned)
  const plan = folded.stops.map((s) => s.change)
  return {
    garment: project.name,
    proposed: layOnPlan(planned.stops, plan).map((laid, i) => {
      // What no longer is asked for comes after all that is.
      const words = laid.how === 'drop' ? folded.stops.find((s) => s.change.id === laid.change.id)!.words : named[i]!.words
      const { kind, inputs, note } = laid.how === 'set' || laid.how === 'drop' ? laid.change : laid.proposed
      const changeId = laid.how === 'set' || laid.how === 'drop' ? laid.change.id : null
      return { how: laid.how, changeId, title: words.title, amountMm: words.amountMm, kind, inputs, note }
    }),
    order: adviseOrder(plan, folded.base).map((a) => ({ ...a, message: writeLengths(a.message, ruler) })),
  }
}

/** The stops of a plan as plain figures. */
export function stopsAnswer({ project, folded, context, ruler }: Opened) {
  let before = folded.base
  const stops = folded.stops.map((stop) => {
    const ledger = stop.applied ? compareMeasures(before, stop.garment, context.sizeId, context.sizing) : []
    before = stop.garment
    return {
      id: stop.change.id,
      kind: stop.change.kind,
      title: stop.words.title,
      amountMm: stop.words.amountMm,
      note: stop.change.note,
      status: stop.status,
      problem: stop.problem && { ...stop.problem, sentence: writeLengths(problemSentence(stop.problem), ruler) },
      touched: stop.applied?.touched.map((t) => ({ pieceId: t.pieceId, how: t.how })) ?? [],
      leftOut: stop.applied?.leftOut ?? [],
      held: stop.applied?.held ?? [],
      cautions: stop.applied?.cautions.map(({ code, message }) => ({ code, message: writeLengths(message, ruler) })) ?? [],
      ledger,
    }
  })
  return { garment: project.name, stops, ledger: compareMeasures(folded.base, folded.garment, context.sizeId, context.sizing) }
}

/** The plan with ruler and scissors, stop by stop. */
export function stepsAnswer({ project, folded, context, ruler }: Opened) {
  let before = folded.base
  const stops = folded.stops.flatMap((stop) => {
    const kind = findKind(stop.change.kind as string)
    const garment = before
    before = stop.garment
    if (!stop.applied || !kind) return []
    const steps = stepsOf(kind, { before: garment, inputs: stop.change.inputs, applied: stop.applied, context, ruler })
    return [{ id: stop.change.id, title: stop.words.title, steps: steps.map((s) => s.text) }]
  })
  return { garment: project.name, units: unitsOf(ruler), stops }
}

/** What every zone and length was asked for, what the pieces give, and what is left over; then the tissue fitting, from the top down. */
export function tissueAnswer({ project, folded, context, ruler }: Opened) {
  const words = (text: string | null) => text && writeLengths(text, ruler)
  const given = askedGiven(folded.base, folded.garment, folded.stops, context)
  return {
    garment: project.name,
    given: given.map((g) => ({ ...g, reason: words(g.reason), sides: words(g.sides) })),
    rows: (context.body ? tissueRows(folded.garment, given, context.body) : []).map((r) => ({ ...r, says: words(r.says) })),
  }
}

/** What is understood of a typed wish: the change that is meant, or those that may be. */
export function wishAnswer({ project, ruler }: Opened, said: string, answer: WishAnswer) {
  const words = (text: string | null) => text && writeLengths(text, ruler)
  const offered = ({ change, sentence, asksAmount }: Offer) => ({ sentence: words(sentence), asksAmount, change })
  return {
    garment: project.name,
    said,
    how: answer.how,
    why: 'why' in answer ? words(answer.why) : null,
    measure: 'measure' in answer ? words(answer.measure) : null,
    offers: offersOf(answer).map(offered),
  }
}

/** The page for the folder. */
export function notebookAnswer({ project, wearer, folded, context, ruler }: Opened) {
  const words = (text: string) => writeLengths(text, ruler)
  const {
    before: _before,
    after: _after,
    ...page
  } = makeNotebook({
    sizing: project.sizing,
    wearer,
    notes: project.notes,
    forEverybody: new Set(project.mends.map((c) => c.id)),
    garments: [folded.base, ...folded.stops.map((s) => s.garment)],
    stops: folded.stops,
    faults: listFaults(folded, context),
  })
  const stops = page.stops.map((s) => ({ ...s, cautions: s.cautions.map(words), problem: s.problem && words(s.problem) }))
  return { garment: project.name, ...page, stops, leftOver: page.leftOver.map(words) }
}

/** Seams walked, and the faults with what would mend them, worst first. */
export function checkAnswer({ project, folded, context, ruler }: Opened) {
  const faults = listFaults(folded, context).map((f) => ({
    ...f,
    message: writeLengths(f.message, ruler),
    mends: f.mends.map((m) => ({ ...m, label: writeLengths(m.label, ruler) })),
  }))
  return { garment: project.name, faults, ...walkGarment(folded.garment, context.sizeId, context.tolerances) }
}

/** What was kept of the fittings of a fit. */
type FitLog = Pick<Contents, 'fittings' | 'versions' | 'photos'>

/** Its fittings with what may mend what is still open, and its versions, the newest first, with what each of them changed. */
export function fittingsAnswer({ project, folded, context, ruler }: Opened, log: FitLog) {
  const words = (text: string) => writeLengths(text, ruler)
  const said = ({ offers, whyNot }: FittingMend) => ({ offers: offers.map((o) => words(o.sentence)), whyNot: whyNot.map(words) })
  const fittings = makeFittingLog(folded.garment, folded.stops, log).map((f) => ({
    ...f,
    items: f.items.map((i) => ({ seen: words(i.seen), became: words(i.became) })),
  }))
  const open = questionsOf(log.fittings).map((q) => ({
    fitting: q.fitting.heldOn,
    ...('pin' in q
      ? { seen: words(pinWords(folded.garment, q.pin)), ...said(mendPin(q.pin, folded.garment, context)) }
      : { seen: seenWords(q.sighting), ...said(mendSign(q.sighting, folded.garment, context)) }),
  }))
  const versions = newestFirst(log.versions).map(({ name, madeAt, why, ...work }, i, all) => {
    const since = stopsSince(all[i + 1] ?? null, work)
    const idsOf = (list: readonly { id: string }[]) => list.map((c) => c.id)
    return { name, madeAt, why, added: idsOf(since.added), changed: idsOf(since.changed), gone: idsOf(since.gone) }
  })
  return { garment: project.name, fittings, open, versions }
}

/** Every figure of a version beside those of the plan: those that differ. */
export function compareAnswer({ project, folded, context }: Opened, version: Version) {
  const then = foldPlan(project.garment, [...version.mends, ...version.plan], {
    ...context,
    sizing: { ...project.sizing, ...version.choices },
  }).garment
  const side = (garment: Garment): ComparedSide => ({ garment, sizeId: context.sizeId, sizing: context.sizing, body: context.body })
  const figures = compareFigures(side(then), side(folded.garment)).filter((f) => f.firstMm !== f.secondMm)
  return { garment: project.name, version: version.name, figures }
}
