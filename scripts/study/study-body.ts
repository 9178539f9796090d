import { planFromBody } from '../../core/advice'
import { contextOf, LEFT_OVER } from '../../core/changes'
import { figureMm } from '../../core/body'
import type { Project } from '../../core/formats'
import { cornersAsSewn, DEFAULT_TOLERANCES, walkGarment } from '../../core/match'
import { makeWorksheet, type School } from '../../core/size'
import { makeBody } from './make-body'
import { measureAgain } from './measure-again'

/** Zones whose size the plan chooses. */
const PLANNED_ZONES: readonly string[] = ['bust', 'waist', 'hip']

/** Zones that need room, and may have more. */
const AT_LEAST: readonly string[] = ['thigh', 'knee']

/** An armhole is meant to lie this far below the arm, mm. */
const ARMHOLE_BELOW_MM = 20

/** What became of one body on one garment by one school. */
export interface Studied {
  garment: string
  school: School
  seed: number
  ms: number
  applied: boolean
  isFinite: boolean
  /** Does a stop say that it goes only as far as the pieces do? */
  isLeftOver: boolean
  /** Promises that were not held. */
  broken: string[]
  /** How far the ease of each planned zone is from what was wanted, mm, measured a second time. */
  ease: Record<string, number>
  /** How far each length is from the body’s, mm. */
  lengths: Record<string, number>
  /** The seam that is furthest outside its wanted ease, mm. */
  seamMm: number
  legsMm: number
  /** The corner as sewn that became sharper by most, deg. */
  cornerDeg: number
  /** Steps beyond the printed sizes, of the zone that lies furthest beyond. */
  beyond: number
}

/** Takes one made body through worksheet and plan, and measures the pieces again. */
export function studyBody({ id, garment, sizing }: Project, school: School, seed: number): Studied {
  const body = makeBody(seed)
  const wearer = { id: 'made', name: 'a made body', ownMeasures: [], sets: [body] }
  const context = contextOf(garment, { sizing: { ...sizing, school } }, wearer, DEFAULT_TOLERANCES)
  const since = performance.now()
  const { folded } = planFromBody(garment, context)
  const ms = performance.now() - since
  const after = folded.garment
  const again = measureAgain(after, after.baseSizeId)
  const sheet = makeWorksheet(garment, context.sizing, body, garment)
  const ease: Record<string, number> = {}
  for (const row of sheet.rows) {
    const mm = again.rounds[row.zone.id]
    if (mm === undefined || row.bodyMm === null) continue
    const overMm = mm - row.bodyMm - row.wantedMm
    ease[row.zone.id] = AT_LEAST.includes(row.zone.id) ? Math.min(0, overMm) : overMm
  }
  const lengths: Record<string, number> = {}
  for (const [measure, mm] of Object.entries(again.lengths)) {
    const wanted = figureMm(body, measure)
    if (wanted !== undefined) lengths[measure] = mm - wanted + (measure === 'underarm-to-waist' ? ARMHOLE_BELOW_MM : 0)
  }
  const turns = (g: typeof after) => new Map(cornersAsSewn(walkGarment(g, g.baseSizeId)).map((c) => [c.id, Math.abs(c.turnDeg)]))
  const [was, is] = [turns(garment), turns(after)]
  return {
    garment: id,
    school,
    seed,
    ms,
    applied: folded.stops.every((s) => s.status === 'applied'),
    isFinite: again.isFinite,
    isLeftOver: folded.stops.some((s) => s.change.note.endsWith(LEFT_OVER)),
    broken: folded.stops.flatMap(
      (s) => s.applied?.held.filter((h) => !h.held).map((h) => `${s.change.kind}: ${h.label}, ${h.where}`) ?? [],
    ),
    ease,
    lengths,
    seamMm: Math.max(0, ...again.seams.map((s) => s.offMm)),
    legsMm: again.legsMm,
    beyond: Math.max(0, ...sheet.rows.filter((r) => PLANNED_ZONES.includes(r.zone.id)).map((r) => Math.abs(r.chosen?.beyond ?? 0))),
    cornerDeg: Math.max(0, ...[...is].map(([corner, deg]) => deg - (was.get(corner) ?? 0))),
  }
}
