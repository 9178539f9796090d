import { defineChange } from '../define-change'
import { beginDartMove, dartMove } from '../shared/darts/move-form'
import { readDartMove } from '../shared/darts/read-move'
import { applySplitDart } from './apply'
import { splitDartSteps } from './paper-steps'
import { SplitDartSchema } from './schema'

/** Craft 6.11: a dart shared between two places. */
export const splitDart = defineChange({
  ...dartMove,
  kind: 'split-dart',
  title: 'Split a dart',
  foundBy: ['split a dart', 'two darts', 'dart too wide', 'share a dart', 'dart too pointed'],
  does: 'Moves a share of a dart’s angle to a second place; both point at the same apex.',
  holds: 'The dart’s angle at the apex, every edge’s length, the grain.',
  schema: SplitDartSchema,
  apply: applySplitDart,
  paperSteps: splitDartSteps,
  begin: (garment) => beginDartMove(garment, 50),
  mayMend: { 'no-dart': 1 },
  reads: (wish, garment) => readDartMove(wish, garment, 'split', 50),
})
