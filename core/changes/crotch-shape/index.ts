import type { CrotchCurve } from '../../body'
import { crotchOf, HALVES, scoopedPlace } from '../../seams'
import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import { crotchAsSewn } from '../shared/as-sewn'
import type { ChangeContext, Field, Handle } from '../types'
import { applyCrotchShape } from './apply'
import { readCrotchShape } from './reads'
import { CrotchShapeSchema, type CrotchShapeInputs } from './schema'
import { readCrotch } from './scoop'
import { crotchPaperSteps } from './paper-steps'

/** A first scoop is small: the front less than the back (craft 6.9). */
const FIRST_SHARE = { frontShare: 0.3, backShare: 0.5 }

/** Points that a change keeps of each side of a reading: a hand's curve says no more. */
const KEPT_POINTS = 60

const fewer = <T>(list: readonly T[]): T[] => {
  const step = Math.max(1, (list.length - 1) / KEPT_POINTS)
  const count = Math.round((list.length - 1) / step)
  return Array.from({ length: count + 1 }, (_, i) => list[Math.min(list.length - 1, Math.round(i * step))]!)
}

/** A reading of the wearer as a change keeps it. */
export function keepReading({ id, takenOn, note, points, inseam }: CrotchCurve): CrotchShapeInputs['readings'][number] {
  const [front, back] = [fewer(points.slice(0, inseam + 1)), fewer(points.slice(inseam))]
  return { id, name: note ? `${takenOn}, ${note}` : takenOn, points: [...front, ...back.slice(1)], inseam: front.length - 1 }
}

/** The wearer’s readings of the newest day. */
function newestReadings({ crotchCurves = [] }: ChangeContext): CrotchShapeInputs['readings'] {
  const day = crotchCurves[crotchCurves.length - 1]?.takenOn
  return crotchCurves.filter((c) => c.takenOn === day).map(keepReading)
}

/** Craft 6.9: the shape of the crotch. */
export const crotchShape = defineChange({
  kind: 'crotch-shape',
  title: 'Scoop the crotch',
  foundBy: [
    'crotch curve',
    'crotch shape',
    'scoop the crotch',
    'folds radiate from the crotch',
    'seat hollow',
    'seat strained',
    'crotch cuts in',
    'flexible curve',
  ],
  does: 'Draws the crotch of both legs deeper toward a body’s own curve, by a share of it in front and at the back.',
  holds: 'Waist ends and crotch point, their directions, inseam, waist, grain.',
  schema: CrotchShapeSchema,
  reads: (wish, _garment, _context, begun) => readCrotchShape(wish, begun),
  mayMend: { 'crotch-curve': 1, 'crotch-depth': 2, seat: 1 },
  gives: ['crotch'],
  phase: 'widths',
  begin(garment, context) {
    const crotch = crotchOf(garment)
    if (!crotch.ok) return crotch
    const readings = newestReadings(context)
    if (readings.length === 0)
      return refuse(
        'no-reading',
        'wearer',
        'no reading of the crotch by a flexible curve is there.',
        'Add one under Wearer: type its points, or read it from the curve reader.',
      )
    return ok({ readings, ...FIRST_SHARE, giveBackMm: 0 })
  },
  fields: (): Field[] => [
    { type: 'own', component: 'ReadingsField', key: 'readings', label: 'Readings' },
    { type: 'share', key: 'frontShare', label: 'Front, share of the body’s curve' },
    { type: 'share', key: 'backShare', label: 'Back, share of the body’s curve' },
    {
      type: 'length',
      key: 'giveBackMm',
      label: 'Given back at each outseam',
      hint: 'Where the scoop takes most width, fading up and down.',
    },
  ],
  describe: () => ({ title: 'Scoop the crotch', amountMm: null }),
  apply: applyCrotchShape,
  handles(garment, inputs, _applied, context): Handle[] {
    const crotch = crotchOf(garment)
    if (!crotch.ok || inputs.readings.length === 0) return []
    const read = readCrotch(garment, crotch.value, inputs, context.sizeId)
    return HALVES.filter((half) => read.depth[half].deepest.mm > 0).map((half): Handle => {
      const depth = read.depth[half]
      const share = half === 'front' ? inputs.frontShare : inputs.backShare
      const { point, into } = scoopedPlace(crotch.value[half], context.sizeId, depth, share, depth.deepest.atMm)
      return {
        id: half,
        pieceId: crotch.value[half].piece.id,
        at: point,
        axis: into,
        label: 'scoop',
        valueMm: share * depth.deepest.mm,
        isGrowth: true,
        kind: half === 'front' ? 'amount' : 'level',
      }
    })
  },
  drag(garment, inputs, handleId, byMm, context) {
    const crotch = crotchOf(garment)
    if (!crotch.ok || inputs.readings.length === 0) return inputs
    const deepest = readCrotch(garment, crotch.value, inputs, context.sizeId).depth[handleId === 'back' ? 'back' : 'front'].deepest.mm
    if (deepest === 0) return inputs
    const key = handleId === 'back' ? 'backShare' : 'frontShare'
    return { ...inputs, [key]: Math.min(1, Math.max(0, inputs[key] + byMm / deepest)) }
  },
  choices: (_garment, inputs) => [
    { label: 'as set', inputs },
    { label: 'half as much', inputs: { ...inputs, frontShare: inputs.frontShare / 2, backShare: inputs.backShare / 2 } },
    { label: 'the whole curve', inputs: { ...inputs, frontShare: 1, backShare: 1 } },
  ],
  paperSteps: crotchPaperSteps,
  asSewn(before, inputs, applied, context) {
    const crotch = crotchOf(before)
    if (!crotch.ok) return []
    const curve = inputs.readings.length > 0 ? readCrotch(before, crotch.value, inputs, context.sizeId).curve : null
    return crotchAsSewn(before, applied.garment, crotch.value, curve, context.sizeId)
  },
})

export type { CrotchShapeInputs } from './schema'
export { CrotchShapeSchema } from './schema'
