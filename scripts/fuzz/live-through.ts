import { isDeepStrictEqual } from 'node:util'
import { adviseOrder, foldOwnStops, layOnPlan, listFaults, nameProposed, planFromBody, sizeUp, ownStops } from '../../core/advice'
import { findDoubts, type Wearer } from '../../core/body'
import { contextOf, findKind, foldPlan, handlesOf, stepsOf, type ChangeContext, type FoldedPlan } from '../../core/changes'
import { contentsOf, projectsOf, readProjectFile, stopsOf, toPathData, writeProjectFile, writeSvg, type Project } from '../../core/formats'
import { DEFAULT_TOLERANCES, walkGarment } from '../../core/match'
import { compareMeasures, measureGarment } from '../../core/measure'
import { layOutSheet, PAPER_SIZES, tilePages } from '../../core/paper'
import { measureLength } from '../../core/geometry'
import { checkGarment, edgePath, outlineOf, shapeOf } from '../../core/pattern'
import { chosenSizes, listToTrace } from '../../core/size'
import { writeLengths } from '../../core/units'

/** Words that no sentence for people may hold: of the language, or of a figure that was not there. */
const NOT_A_WORD = /\b(undefined|NaN|Infinity|expected|received|[Ii]nvalid (input|option))\b|\[object/

/** A complaint about a sentence that a person would read, or null. */
export function readable(words: string, where: string): string | null {
  if (words.trim() === '') return `${where}: an empty sentence`
  // What somebody typed is said back to them in quotes, whatever it was.
  return NOT_A_WORD.test(words.replace(/“[^”]*”?/g, '')) ? `${where}: not a sentence for people: ${words.slice(0, 200)}` : null
}

/** A complaint about a refusal, or null: it says where, what and what to do. */
export const wellRefused = (p: { code: string; where: string; message: string; remedy: string }): string | null =>
  p.code === 'program-fault'
    ? `the program failed: ${p.message}`
    : (readable(p.where, `${p.code}, where`) ?? readable(p.message, `${p.code}, what`) ?? readable(p.remedy, `${p.code}, what to do`))

/** A complaint about the stops of a folded plan, looked at as the stations do, or null. */
function lookAtStops(folded: FoldedPlan, context: ChangeContext): string | null {
  const { sizeId, sizing } = context
  let before = folded.base
  for (const stop of folded.stops) {
    const kind = findKind(stop.change.kind)
    const complaint =
      readable(stop.words.title, 'title') ??
      (stop.problem && wellRefused(stop.problem)) ??
      (kind &&
        kind
          .fields(before, stop.change.inputs)
          .map((f) => readable(f.label, `field ${f.key}`))
          .find(Boolean))
    if (complaint) return `${stop.change.kind}: ${complaint}`
    if (stop.applied && kind) {
      const invalid = checkGarment(stop.garment)
      if (invalid) return `${stop.change.kind} gave a garment that is none: ${invalid.where} ${invalid.message}`
      compareMeasures(before, stop.garment, sizeId, sizing)
      for (const piece of stop.garment.pieces)
        for (const n of piece.notches) {
          const shape = shapeOf(piece, sizeId)
          if (shape.notches[n.id]!.distanceMm > measureLength(edgePath(shape, n.edgeId)) + 0.1)
            return `${stop.change.kind}: “${n.name}” lies beyond its edge`
        }
      for (const h of stop.applied.held)
        if (!Number.isFinite(h.before + h.after)) return `${stop.change.kind}: the promise “${h.label}” has no figure`
      for (const handle of handlesOf(kind, before, stop.change.inputs, stop.applied, context)) {
        if (!Number.isFinite(handle.at.x + handle.at.y + handle.valueMm)) return `${stop.change.kind}: a handle has no place`
        for (const by of [7, -40]) {
          const dragged = kind.schema.safeParse(kind.drag(before, stop.change.inputs, handle.id, by, context))
          if (!dragged.success && kind.schema.safeParse(stop.change.inputs).success && Math.abs(handle.valueMm) < 100)
            return `${stop.change.kind}: dragged ${by} mm its inputs are none`
        }
      }
      for (const ruler of ['in', 'in-eighths', 'cm', 'cm-halves-comma'] as const)
        for (const step of stepsOf(kind, { before, inputs: stop.change.inputs, applied: stop.applied, context, ruler })) {
          const bad = readable(step.text, `${stop.change.kind}, step on paper`)
          if (bad) return bad
        }
      for (const c of stop.applied.cautions) {
        const bad = readable(writeLengths(c.message, 'in'), `${stop.change.kind}, caution ${c.code}`)
        if (bad) return bad
        if (c.mend && !kind.schema.safeParse(c.mend.inputs).success) return `${stop.change.kind}: the mend of ${c.code} cannot be used`
      }
    }
    before = stop.garment
  }
  return null
}

/**
 * Takes a garment that a reader accepted through everything that the stations do with one: folded, measured, matched,
 * planned, drawn, saved and read again.
 *
 * @returns a complaint, or null when all went well; throws where the program does
 */
export function liveThrough(project: Project, wearer: Wearer | null): string | null {
  const context = contextOf(project.garment, project, wearer, DEFAULT_TOLERANCES)
  const folded = foldPlan(project.garment, stopsOf(project), context)
  const bad = lookAtPlan(project, folded, context) ?? planAndDraw(project, folded, context)
  return bad ?? saveAndReadAgain(project, wearer)
}

/** A complaint about a plan that was folded, as Reshape and Match look at it. */
export function lookAtPlan(project: Project, folded: FoldedPlan, context: ChangeContext): string | null {
  const { sizeId, sizing, tolerances } = context
  const bad = lookAtStops(folded, context)
  if (bad) return bad
  for (const m of measureGarment(folded.garment, sizeId, sizing)) if (!Number.isFinite(m.mm)) return `${m.id} has no figure`
  walkGarment(folded.garment, sizeId, tolerances)
  const faults = listFaults(folded, context)
  for (const f of faults) {
    const words = readable(writeLengths(f.message, 'cm'), 'fault')
    if (words) return words
  }
  adviseOrder(stopsOf(project), folded.garment)
  for (const piece of folded.garment.pieces) toPathData(outlineOf(piece, shapeOf(piece, sizeId)), true)
  return null
}

/** A complaint about what the worksheet, the proposed plan and the sheet make of it. */
function planAndDraw(project: Project, folded: FoldedPlan, context: ChangeContext): string | null {
  const { sizeId, body: set } = context
  if (set) findDoubts(set)
  // As the worksheet does: on what the stops leave that do not give the zones their sizes.
  const own = ownStops(stopsOf(project))
  const before = foldOwnStops(folded, context).garment
  const { traced, sheet: worksheet } = sizeUp(before, context)
  listToTrace(traced, chosenSizes(worksheet))
  const planned = planFromBody(before, context, own)
  nameProposed(planned)
  layOnPlan(planned.stops, stopsOf(project))
  const sheet = layOutSheet(
    folded.garment,
    sizeId,
    { garmentName: project.name, wearerName: null, sizeName: 'one', date: '2026-01-01', changes: [], ruler: 'in' as const },
    1000,
  )
  tilePages(sheet, PAPER_SIZES.a4)
  if (!writeSvg(sheet, project.name).includes('</svg>')) return 'the drawing has no end'
  return null
}

/** A complaint when a garment that is saved and read again is another, or cannot be read. */
export function saveAndReadAgain(project: Project, wearer: Wearer | null): string | null {
  const text = writeProjectFile(contentsOf([project], wearer ? [wearer] : []), new Date(0))
  const again = readProjectFile(text)
  if (!again.ok) return `saved, it cannot be read again: ${again.problem.where} ${again.problem.message}`
  if (!isDeepStrictEqual(projectsOf(again.value)[0], JSON.parse(JSON.stringify(project)))) return 'saved and read again it is another'
  return null
}
