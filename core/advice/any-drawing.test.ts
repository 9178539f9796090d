import { describe, expect, it } from 'vitest'
import { begunElsewhere, laidAslant, mirrored } from '../../demo/test-variants'
import { demoWardrobe } from '../../demo/wardrobe'
import { contextOf, type NewChange } from '../changes'
import { DEFAULT_TOLERANCES, walkGarment } from '../match'
import { measureGarment } from '../measure'
import type { Garment } from '../pattern'
import { answerWish, planSizes } from './index'

// How a pattern happens to be drawn says nothing of the garment: what it measures, how its seams match, what is planned for a body and
// how a wish is understood are the same.

const { projects, wearers } = demoWardrobe(new Date('2026-05-01'))
const VARIANTS = { 'lying aslant': laidAslant, 'begun at another corner': begunElsewhere, 'drawn as its mirror image': mirrored }
const GARMENTS = projects.filter((p, i) => projects.findIndex((o) => o.garmentId === p.garmentId) === i).map((p) => [p.name, p] as const)

const near = (mm: number) => Math.round(mm * 10) / 10
const measures = (g: Garment, sizing: (typeof projects)[number]['sizing']) =>
  measureGarment(g, g.baseSizeId, sizing)
    .map((m) => `${m.id} ${near(m.mm)}`)
    .sort()
const seams = (g: Garment) =>
  walkGarment(g, g.baseSizeId, DEFAULT_TOLERANCES).seams.map((s) => ({
    off: near(s.offMm) + 0,
    corners: s.corners.map((c) => `${c.id} ${Math.abs(Math.round(c.turnDeg))}`).sort(),
  }))
/** Stops to the millimetre; a dart pressed down is pressed to the part before it or after it, by the way of the outline. */
const stops = (list: readonly NewChange[]) =>
  list.map((s) => ({
    kind: s.kind,
    inputs: JSON.parse(JSON.stringify(s.inputs, (key, v) => (key === 'pressTo' ? 'down' : v))) as unknown,
  }))
/** Figures that differ by less than a millimetre are the same. */
const alike = (a: unknown, b: unknown): boolean =>
  typeof a === 'number' && typeof b === 'number'
    ? Math.abs(a - b) < 1
    : typeof a === 'object' && typeof b === 'object' && a && b
      ? Object.keys(a).length === Object.keys(b).length &&
        Object.entries(a).every(([key, v]) => alike(v, (b as Record<string, unknown>)[key]))
      : a === b

const WISHES = [
  'lengthen the sleeve 1 inch',
  'take in the side seams 1/2',
  'wider at the hip by 2 cm',
  'lower the armhole 1/2',
  'move the dart to the shoulder',
  'shorten above the waist by 1',
  'deeper neckline 1 inch',
  'raise the dart 1/2',
  'longer at the back hem 1',
]

/** What the tool says of a garment: its measures and seams, the plan for each wearer, and what each wish would do. */
const saidOf = (g: Garment, project: (typeof projects)[number]) => ({
  measures: measures(g, project.sizing),
  seams: seams(g),
  plans: wearers.map((wearer) => stops(planSizes(g, contextOf(g, project, wearer, DEFAULT_TOLERANCES)))),
  wishes: WISHES.map((wish) => {
    const answer = answerWish(wish, 'in', g, contextOf(g, null, null, DEFAULT_TOLERANCES))
    return [wish, answer.how, answer.how === 'does' ? answer.offer.change.kind : null]
  }),
})

describe('a pattern is the same however it is drawn', () => {
  it.each(GARMENTS)('%s: its measures, its seams, its plans, and what a wish does', (_, project) => {
    const own = saidOf(project.garment, project)
    for (const [how, make] of Object.entries(VARIANTS)) {
      const { plans, ...said } = saidOf(make(project.garment), project)
      expect(said, how).toEqual({ measures: own.measures, seams: own.seams, wishes: own.wishes })
      expect(alike(own.plans, plans), `${how}: ${JSON.stringify(own.plans)} | ${JSON.stringify(plans)}`).toBe(true)
    }
  })
})
