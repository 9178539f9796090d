import { readBlend } from './reads'
import { findPiece, grainDirection, shapeOf } from '../../pattern'
import { ok, refuse } from '../../result'

import { defineChange } from '../define-change'
import type { Field, Handle } from '../types'
import { proposeBlend } from './proposes'
import { placeOn, zonesOfSides } from './plan-chain'
import { BlendSchema } from './schema'
import { blendPaperSteps } from './paper-steps'
import { applyBlend, plansOf } from './apply'
import { END_MM } from './held'

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
  drawsOneSize: true,
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

export type { BlendInputs } from './schema'
