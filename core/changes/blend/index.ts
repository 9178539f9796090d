import { readBlend } from './reads'
import { sideCautions } from '../shared/side-turns'
import type { Point } from '../../geometry'
import { findPiece, grainDirection, shapeOf, type Garment, sideLength } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { finishedMm, findZones, pointOnChain, sideChains, type SideChain } from '../../measure'
import { EQUAL_MM, SEAM_KEPT_MM } from '../../tolerances'
import { formatLength, limitToken } from '../../units'

import { defineChange } from '../define-change'
import { findBrokenOutline } from '../check-outlines'
import { outlineStroke } from '../shared/draw-step'
import { findLargest } from '../find-largest'
import { holdMeasure } from '../shared/held'
import type { Applied, ChangeContext, Field, Handle, HeldPromise, PaperStep, StepInput } from '../types'
import { levelLine } from '../shared/levels/move-garment'
import { blendGarment } from './blend-garment'
import { proposeBlend } from './proposes'
import { planChain, zonesOfSides, type BlendPlan } from './plan-chain'
import { BlendSchema, type BlendInputs } from './schema'

/** The end of a change is set this far from the hip at most, mm (schema). */
const END_MM = 2000

/** A blended zone must measure what its size measures to this, mm: the line may be redrawn twice on every piece. */
const ZONE_MM = 1

/** Every side seam of a garment with where it changes over. */
function plansOf(garment: Garment, inputs: BlendInputs): { chain: SideChain; plan: BlendPlan }[] {
  return garment.pieces.flatMap((piece) =>
    sideChains(piece, shapeOf(piece, garment.baseSizeId)).flatMap((chain) => {
      const plan = planChain(garment, chain, inputs, garment.baseSizeId)
      return plan ? [{ chain, plan }] : []
    }),
  )
}

function heldByBlend(before: Garment, after: Garment, inputs: BlendInputs): HeldPromise[] {
  const sizeId = before.baseSizeId
  const held: HeldPromise[] = findZones(before)
    // A narrowest place moves when what lies above and below it changes: it is no measure of its size.
    .filter((z) => (z.id === 'bust' || z.id === 'waist' || z.id === 'hip') && z.parts.every((p) => p.by !== 'narrowest'))
    .map((zone) => {
      const from = inputs[zone.id as 'bust' | 'waist' | 'hip']
      const name = before.sizes.find((s) => s.id === from)!.name
      return holdMeasure(
        `${zone.name} is that of size ${name}`,
        'finished',
        finishedMm(before, zone, from),
        finishedMm(after, zone, sizeId),
        ZONE_MM,
      )
    })
  for (const seam of before.seams) {
    const surplus = (g: Garment, id: string) => sideLength(g, seam, 0, id) - sideLength(g, seam, 1, id)
    // The size in whose zone the seam lies has the surplus that is meant: the nearest of those that are used.
    const is = surplus(after, sizeId)
    const meant = [inputs.bust, inputs.waist, inputs.hip].map((id) => surplus(before, id))
    const was = meant.reduce((a, b) => (Math.abs(b - is) < Math.abs(a - is) ? b : a))
    held.push(holdMeasure(`${seam.name}, difference of its sides`, 'as in its size', was, is, SEAM_KEPT_MM))
  }
  return held
}

/** The first place below the arm at which there is no room left for the change to the waist. */
const roomMm = (garment: Garment, inputs: BlendInputs): number =>
  Math.min(...plansOf(garment, inputs).map(({ chain, plan }) => plan.transitions.find((t) => t.from === 'bust')?.endMm ?? chain.totalMm))

function applyBlend(garment: Garment, inputs: BlendInputs, _context: ChangeContext): Result<Applied> {
  const zones = zonesOfSides(garment)
  const gone = (['bust', 'waist', 'hip'] as const).find((z) => !garment.sizes.some((s) => s.id === inputs[z]))
  if (garment.pieces.length === 0 || zones.length === 0 || gone)
    return refuse(
      'reference-gone',
      gone ? `size for the ${gone}` : 'garment',
      gone ? 'this size has gone.' : 'the side seams this was made for have gone.',
      'Choose another size, or delete the change.',
    )
  const works = (startMm: number) => startMm < roomMm(garment, inputs) - EQUAL_MM
  if (inputs.startMm > 0 && !works(inputs.startMm)) {
    const largest = findLargest(inputs.startMm, works)
    return refuse(
      'amount-too-large',
      'side seam',
      'the change would begin below where it has to end.',
      `It can begin ${limitToken(largest)} below the underarm at most.`,
      largest,
    )
  }
  const after = blendGarment(garment, inputs)
  const broken = findBrokenOutline(garment, after)
  if (broken)
    return refuse('sizes-too-far', broken.where, `${broken.what} between these sizes.`, 'Choose sizes that lie nearer to each other.')
  return ok({
    garment: after,
    touched: plansOf(garment, inputs).map(({ chain, plan }, i) => {
      const piece = findPiece(garment, chain.pieceId)!
      const shape = shapeOf(piece, garment.baseSizeId)
      const changing = plan.transitions.filter((t) => inputs[t.from] !== inputs[t.to])
      const down = grainDirection(shape)
      const levelAt = (mm: number) => {
        const p = placeOn(garment, chain, mm)
        return p.x * down.x + p.y * down.y
      }
      return {
        pieceId: chain.pieceId,
        how: i === 0 ? ('asked' as const) : ('partner' as const),
        levels: changing.flatMap((t) => [
          { id: `${t.from}-start`, label: `from ${t.from}`, line: levelLine(piece, shape, levelAt(t.startMm + EQUAL_MM)), amountMm: 0 },
          { id: `${t.from}-end`, label: `to ${t.to}`, line: levelLine(piece, shape, levelAt(t.endMm - EQUAL_MM)), amountMm: 0 },
        ]),
      }
    }),
    leftOut: [],
    held: heldByBlend(garment, after, inputs),
    cautions: sideCautions(garment, after, garment.baseSizeId),
  })
}

/** The point of a side seam in the base size. */
const placeOn = (garment: Garment, chain: SideChain, atMm: number): Point =>
  pointOnChain(shapeOf(findPiece(garment, chain.pieceId)!, garment.baseSizeId), chain, atMm)

/** Craft 6.6: blend sizes. */
export const blend = defineChange({
  kind: 'blend',
  title: 'Blend sizes',
  foundBy: [
    'blend',
    'size',
    'sizes',
    'different size at the hip',
    'larger hip',
    'smaller waist',
    'two sizes',
    'between sizes',
    'size per zone',
  ],
  does: 'Cuts one size at the bust, another at the waist or hip, with a smooth line between.',
  holds: 'Each zone measures what its size measures; front and back side seams stay equal.',
  schema: BlendSchema,
  reads: readBlend,
  mayMend: { size: 1 },
  gives: ['high-bust', 'bust', 'waist', 'hip'],
  phase: 'sizes',
  costsAfter: { sides: 'the blend puts whole sizes in the place of what was let out or taken in.' },
  proposes: proposeBlend,
  takesOver: (_there, proposed) => proposed,
  begin(garment) {
    if (zonesOfSides(garment).length === 0)
      return refuse('no-sides', 'garment', 'no side seam with a bust, waist or hip is found.', 'Name the side seams and the waist first.')
    const id = garment.baseSizeId
    return ok({ bust: id, waist: id, hip: id, startMm: 0, endMm: 0 })
  },
  fields(garment) {
    const options = garment.sizes.map((s) => ({ value: s.id, label: s.name }))
    const zones = zonesOfSides(garment)
    const words = { bust: 'Size at the bust and above', waist: 'Size at the waist', hip: 'Size at the hip and below' }
    const sizes = zones.map((z): Field => ({ type: 'choice', key: z, label: words[z], options }))
    const start: Field[] =
      zones.includes('bust') && zones.length > 1
        ? [{ type: 'length', key: 'startMm', label: 'Begins below the underarm', hint: 'Never above the bust line.' }]
        : []
    const end: Field[] =
      zones.includes('hip') && zones.length > 1
        ? [{ type: 'growth', key: 'endMm', label: 'Ends', plus: 'Below the hip', minus: 'Above it' }]
        : []
    return [...sizes, ...start, ...end]
  },
  describe(garment, inputs) {
    const zones = zonesOfSides(garment)
    const names = zones.map((z) => garment.sizes.find((s) => s.id === inputs[z])?.name ?? 'a size that has gone')
    return {
      title: new Set(names).size === 1 ? `Size ${names[0]}` : `Blend ${zones.map((z, i) => `${names[i]} ${z}`).join(', ')}`,
      amountMm: null,
    }
  },
  apply: applyBlend,
  handles(garment, inputs, _applied, context): Handle[] {
    const first = plansOf(garment, inputs).find(({ plan }) => plan.transitions.length > 0)
    if (!first) return []
    const { pieceId } = first.chain
    const axis = grainDirection(shapeOf(findPiece(garment, pieceId)!, context.sizeId))
    const zones = first.plan.transitions.flatMap((t) => [t.from, t.to])
    const toHip = first.plan.transitions.find((t) => t.to === 'hip')
    const handle = (id: 'start' | 'end', label: string, chainMm: number, valueMm: number): Handle => ({
      id,
      pieceId,
      at: placeOn(garment, first.chain, chainMm),
      axis,
      label,
      valueMm,
      isGrowth: id === 'end',
      kind: 'amount',
    })
    return [
      ...(zones.includes('bust') ? [handle('start', 'begins', inputs.startMm, inputs.startMm)] : []),
      ...(toHip ? [handle('end', 'ends', toHip.endMm, inputs.endMm)] : []),
    ]
  },
  drag: (_garment, inputs, handleId, byMm) =>
    handleId === 'end'
      ? { ...inputs, endMm: Math.max(-END_MM, Math.min(END_MM, inputs.endMm + byMm)) }
      : { ...inputs, startMm: Math.max(0, inputs.startMm + byMm) },
  paperSteps: blendPaperSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, startMm: Math.abs(amountMm) }),
})

/** Trace one size, mark, trace the other, join with a curve. */
function blendPaperSteps({ before, inputs, applied, context, ruler }: StepInput<BlendInputs>): PaperStep[] {
  const nameOf = (id: string) => before.sizes.find((s) => s.id === id)?.name ?? id
  const figure = (mm: number) => formatLength(mm, ruler)
  const steps = plansOf(before, inputs).map(({ chain, plan }): PaperStep => {
    const piece = findPiece(before, chain.pieceId)!
    const parts = plan.transitions.map(
      (t) =>
        `from ${figure(t.startMm)} to ${figure(t.endMm)} below the top of the side seam go over from size ${nameOf(inputs[t.from])} to size ${nameOf(inputs[t.to])} with one smooth line`,
    )
    const text =
      parts.length > 0
        ? parts.join('; ')
        : `the side seam, ${figure(chain.totalMm)} long, is size ${nameOf(inputs[plan.zones[0]!])} all the way`
    return {
      text: `${piece.name}: lay the sizes over each other, centre on centre. Trace size ${nameOf(inputs[plan.zones[0]!])} at the top; ${text}. Trace the hem of size ${nameOf(inputs[plan.zones[plan.zones.length - 1]!])}.`,
      drawing: {
        pieceId: piece.id,
        strokes: [
          ...[...new Set([inputs.bust, inputs.waist, inputs.hip])].map((id) => outlineStroke(before, piece.id, id, 'outline')),
          outlineStroke(applied.garment, piece.id, context.sizeId, 'result'),
        ],
        labels: [],
      },
    }
  })
  return [
    ...steps,
    { text: 'Sleeve and neckband take the size of the bust, a waistband that of the waist.', drawing: null },
    {
      text: 'Walk the side seams on the seam line: front and back must be equal, and the hem must run on without a corner.',
      drawing: null,
    },
  ]
}

export type { BlendInputs } from './schema'
