import fc from 'fast-check'
import { findKind } from '../core/changes'
import { applyOrRefuse } from '../core/changes/apply-or-refuse'
import { findBrokenOutline } from '../core/changes/check-outlines'
import { contextWith } from '../core/changes/test-context'
import { measureLength, placeAt, turnRad, type Path } from '../core/geometry'
import { checkGarment, edgePath, shapeOf, type EdgeRole, type Garment } from '../core/pattern'
import { bendsAnew, sleeved } from '../demo/test-garments'
import { PAIR_CHANGES } from '../demo/test-pair-changes'

// npm run bench:pairs: made garments with made amounts through the changes of pairs; nothing here passes or fails.

const [count = 1000] = process.argv.slice(2).map(Number)
const ROLES: readonly EdgeRole[] = ['cap', 'armhole', 'neck', 'crotch']
/** How far apart curvature is measured, mm, and how far from the ends of an edge. */
const STEP_MM = 4

/** The largest change of curvature per length along an edge, 1/mm per mm: what shows as a wiggle. */
function wiggle(path: Path): number {
  const total = measureLength(path)
  const turns: number[] = []
  for (let mm = STEP_MM; mm + 2 * STEP_MM < total; mm += STEP_MM)
    turns.push(turnRad(placeAt(path, mm).tangent, placeAt(path, mm + STEP_MM).tangent) / STEP_MM)
  return Math.max(0, ...turns.slice(1).map((t, i) => Math.abs(t - turns[i]!) / STEP_MM))
}

const curves = (garment: Garment) =>
  garment.pieces.flatMap((p) =>
    p.edges
      .filter((e) => ROLES.includes(e.role))
      .map((e) => ({ id: `${p.id} ${e.id}`, role: e.role, path: edgePath(shapeOf(p, 'one'), e.id) })),
  )

interface Tally {
  times: number[]
  ratios: Partial<Record<EdgeRole, number[]>>
  done: number
  refused: number
  broken: number
  unheld: number
  bends: number
}
const middle = (list: readonly number[], part: number) =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * part))] ?? 0

for (const { kind, inputs } of PAIR_CHANGES) {
  const tally: Tally = { times: [], ratios: {}, done: 0, refused: 0, broken: 0, unheld: 0, bends: 0 }
  for (const [garment, set] of fc.sample(fc.tuple(sleeved, inputs), { numRuns: Math.ceil(count / PAIR_CHANGES.length), seed: 2026 })) {
    const since = performance.now()
    const result = applyOrRefuse(findKind(kind)!, garment, set, contextWith({ bought: garment }))
    tally.times.push(performance.now() - since)
    if (!result.ok) {
      tally.refused += 1
      continue
    }
    tally.done += 1
    const after = result.value.garment
    if (checkGarment(after) !== null || findBrokenOutline(garment, after)) tally.broken += 1
    if (result.value.held.some((h) => !h.held)) tally.unheld += 1
    const was = new Map(curves(garment).map((c) => [c.id, c.path]))
    for (const { id, role, path } of curves(after)) {
      const old = was.get(id)
      if (!old || old === path || old.every((s) => s.kind === 'line')) continue
      if (bendsAnew(old, path)) tally.bends += 1
      ;(tally.ratios[role] ??= []).push(wiggle(path) / Math.max(1e-6, wiggle(old)))
    }
  }
  const ratios = Object.entries(tally.ratios).map(
    ([role, list]) => `${role} ${middle(list, 0.5).toFixed(2)} / ${middle(list, 0.95).toFixed(2)} / ${Math.max(...list).toFixed(2)}`,
  )
  console.log(
    `${kind}: ${tally.done} done, ${tally.refused} refused, ${tally.broken} broken, ${tally.unheld} with a promise not held, ${tally.bends} edges bend anew;` +
      ` ${middle(tally.times, 0.5).toFixed(0)} ms median, ${Math.max(...tally.times).toFixed(0)} ms longest`,
  )
  console.log(`  change of curvature per length, in parts of what it was (median / of 95 in 100 / largest): ${ratios.join('; ')}`)
}
