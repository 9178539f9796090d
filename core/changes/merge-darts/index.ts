import { readMergeDarts } from './reads'
import { tipBackMm } from '../../darts'
import { dartFigures, shapeOf } from '../../pattern'
import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import { dartOptions, dartsOf } from '../shared/darts/find-darts'
import { MergeDartsSchema } from './schema'
import { applyMerge } from './apply'
import { mergeSteps } from './paper-steps'

/** Craft 6.11: merge two darts. */
export const mergeDartsKind = defineChange({
  kind: 'merge-darts',
  title: 'Merge two darts',
  foundBy: ['merge darts', 'two darts into one', 'combine darts', 'close a waist dart', 'one dart instead of two'],
  does: 'Closes one dart of a piece and opens another by its angle, about the same apex.',
  holds: 'The sum of both angles, every edge’s length, the grain.',
  schema: MergeDartsSchema,
  reads: readMergeDarts,
  phase: 'place-darts',
  begin(garment) {
    const pair = dartsOf(garment).flatMap((a) =>
      dartsOf(garment)
        .filter((b) => b.piece.id === a.piece.id && b.ref !== a.ref)
        .map((b) => [a, b] as const),
    )[0]
    if (!pair)
      return refuse('no-two-darts', 'garment', 'no piece has two darts.', 'This is for pieces with two darts that point at one apex.')
    const [from, into] = pair
    const role = dartFigures(into.piece, shapeOf(into.piece, garment.baseSizeId), into.dart).before.role
    return ok({ dart: from.ref, into: into.ref, tipBackMm: tipBackMm(role), trued: true })
  },
  withField(garment, inputs, key, value) {
    const next = { ...inputs, [key]: value }
    const chosen = dartsOf(garment).find((d) => d.ref === value)
    if ((key !== 'dart' && key !== 'into') || !chosen) return next
    const other = key === 'dart' ? 'into' : 'dart'
    const fits = dartsOf(garment).filter((d) => d.piece.id === chosen.piece.id && d.ref !== chosen.ref)
    return fits.some((d) => d.ref === next[other]) || !fits[0] ? next : { ...next, [other]: fits[0].ref }
  },
  fields: (garment) => [
    { type: 'choice', key: 'dart', label: 'This dart closes', options: dartOptions(garment) },
    { type: 'choice', key: 'into', label: 'This one takes it', options: dartOptions(garment) },
    { type: 'length', key: 'tipBackMm', label: 'Tip short of the apex' },
    { type: 'switch', key: 'trued', label: 'Redraw the closed place smoothly' },
  ],
  describe(garment, inputs) {
    const name = (ref: string) => dartsOf(garment).find((d) => d.ref === ref)?.dart.name ?? 'a dart that has gone'
    return { title: `Merge the ${name(inputs.dart)} into the ${name(inputs.into)}`, amountMm: null }
  },
  apply: applyMerge,
  handles: () => [],
  drag: (_garment, inputs) => inputs,
  choices: (garment, inputs) => {
    const found = dartsOf(garment).find((d) => d.ref === inputs.into)
    return found
      ? [
          { label: 'this way', inputs },
          { label: 'the other way round', inputs: { ...inputs, dart: inputs.into, into: inputs.dart } },
        ]
      : []
  },
  paperSteps: mergeSteps,
})

export type { MergeDartsInputs } from './schema'
