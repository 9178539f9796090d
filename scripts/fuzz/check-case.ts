import { layOnPlan, planSizes } from '../../core/advice'
import { readWearersCsv, writeWearersCsv, type Wearer } from '../../core/body'
import { ChangeSchema, contextOf, findKind, foldPlan, withId, withInputs, withLargest, type Change } from '../../core/changes'
import { projectsOf, readProjectFile, readSvg, type Project } from '../../core/formats'
import { bringIn } from '../../core/import'
import { DEFAULT_TOLERANCES } from '../../core/match'
import { readChart } from '../../core/size'
import { parseLength } from '../../core/units'
import { drawWriting, findWriting } from '../../core/writing'
import type { Case } from './cases'
import { GARMENTS } from './garments'
import { liveThrough, lookAtPlan, saveAndReadAgain, wellRefused } from './live-through'

const projectOf = (id: string): Project => GARMENTS.get(id)!

/** A wearer with one set of figures. */
const wearerWith = (figures: Wearer['sets'][number]['figures']): Wearer => ({
  id: 'made',
  name: 'made up',
  sets: [{ id: 'first', takenOn: '2026-03-01', note: '', figures }],
  ownMeasures: [],
})

function checkChanges({ garment, stops }: Case & { part: 'changes' }): string | null {
  const project = projectOf(garment)
  const plan: Change[] = []
  for (const [i, stop] of stops.entries()) {
    const read = ChangeSchema.safeParse({ ...stop, id: `s${i}`, on: true, note: '' })
    if (read.success) plan.push(read.data)
  }
  const context = contextOf(project.garment, project, null, DEFAULT_TOLERANCES)
  const folded = foldPlan(project.garment, plan, context)
  const bad = lookAtPlan({ ...project, plan }, folded, context)
  if (bad) return bad
  // What a refusal offers as the largest that works has to work.
  for (const stop of folded.stops) {
    const largest = stop.problem?.largestMm
    const kind = findKind(stop.change.kind)
    if (largest === undefined || !kind) continue
    const inputs = withLargest(kind, stop.garment, stop.change.inputs, largest, context)
    if (inputs === null) continue
    const again = foldPlan(stop.garment, [withInputs(stop.change, inputs)], context)
    const last = again.stops.at(-1)!
    if (last.problem)
      return `${stop.change.kind}: the largest that works (${largest}) is refused: ${last.problem.message} ${last.problem.remedy}`
  }
  return null
}

function checkPlan({ garment, figures, sizing }: Case & { part: 'plan' }): string | null {
  const project = projectOf(garment)
  const own: Project = { ...project, sizing: { ...project.sizing, ...sizing } }
  const wearer = wearerWith(figures)
  const context = contextOf(own.garment, own, wearer, DEFAULT_TOLERANCES)
  const proposed = planSizes(own.garment, context, own.plan)
  const plan: Change[] = [...own.plan]
  for (const laid of layOnPlan(proposed, own.plan)) if (laid.how === 'add') plan.push(withId(laid.proposed, `p${plan.length}`))
  for (const change of plan) {
    const read = ChangeSchema.safeParse(change)
    if (!read.success) return `a stop is proposed that cannot be kept: ${change.kind} ${JSON.stringify(read.error.issues[0])}`
  }
  const planned = { ...own, plan: JSON.parse(JSON.stringify(plan)) as Change[] }
  const folded = foldPlan(own.garment, planned.plan, context)
  return lookAtPlan(planned, folded, context) ?? saveAndReadAgain(planned, wearer)
}

/**
 * Lets the program do with a case what it does with the real thing.
 *
 * @returns what is wrong, or null; throws where the program does
 */
export function checkCase(one: Case): string | null {
  switch (one.part) {
    case 'length': {
      const read = parseLength(one.text, one.units)
      if (!read.ok) return wellRefused(read.problem)
      return Number.isFinite(read.value) ? null : 'a length that is none'
    }
    case 'csv': {
      if (one.what === 'chart') {
        const project = projectOf('demo-dress')
        const read = readChart(one.text, project.garment.sizes, one.units)
        if (!read.ok) return wellRefused(read.problem)
        return liveThrough({ ...project, sizing: { ...project.sizing, bodyChart: read.value } }, null)
      }
      let n = 0
      const read = readWearersCsv(one.text, one.units, () => `id-${n++}`)
      if (!read.ok) return wellRefused(read.problem)
      for (const wearer of read.value) {
        const bad = liveThrough({ ...projectOf('demo-flared'), wearerId: wearer.id }, wearer)
        if (bad) return bad
      }
      const again = readWearersCsv(writeWearersCsv(read.value, 'cm'), 'cm', () => `id-${n++}`)
      return again.ok ? null : `written, it cannot be read again: ${again.problem.message}`
    }
    case 'svg': {
      const read = readSvg(one.text)
      if (!read.ok) return wellRefused(read.problem)
      for (const writing of findWriting(read.value.shapes)) {
        const picture = drawWriting(writing, false)?.picture
        if (picture && picture.dots.length !== picture.width * picture.height) return 'letters have a picture without a size'
      }
      const found = bringIn(read.value, 1)
      if (!found.ok) return wellRefused(found.problem)
      const { garment } = found.value
      if (garment.pieces.length === 0) return null
      return liveThrough({ ...projectOf('demo-flared'), id: 'in', name: 'brought in', garment, plan: [] }, null)
    }
    case 'project': {
      const read = readProjectFile(one.text)
      if (!read.ok) return wellRefused(read.problem)
      for (const project of projectsOf(read.value)) {
        const bad = liveThrough(project, read.value.wearers.find((w) => w.id === project.wearerId) ?? null)
        if (bad) return bad
      }
      return null
    }
    case 'changes':
      return checkChanges(one)
    case 'plan':
      return checkPlan(one)
  }
}
