import { defineChange } from '../define-change'
import { beginDartMove, dartMove } from '../shared/darts/move-form'
import { readDartMove } from '../shared/darts/read-move'
import { applyMoveDart } from './apply'
import { moveDartSteps } from './paper-steps'
import { MoveDartSchema } from './schema'

/** Craft 6.11: move a dart to another place round its apex. */
export const moveDartKind = defineChange({
  ...dartMove,
  kind: 'move-dart',
  title: 'Move a dart',
  foundBy: [
    'move a dart',
    'dart to the side',
    'dart from the armhole',
    'armhole dart',
    'rotate a dart',
    'shoulder dart',
    'dart in the wrong place',
  ],
  does: 'Cuts from a new place to the apex and swings the old dart closed; drag its ends anywhere along the outline.',
  holds: 'The dart’s angle at the apex, every edge’s length, the grain.',
  schema: MoveDartSchema,
  apply: applyMoveDart,
  paperSteps: moveDartSteps,
  begin: (garment) => beginDartMove(garment, 100),
  mayMend: { 'no-dart': 0 },
  reads: (wish, garment) => readDartMove(wish, garment, 'move', 100),
})

export type { MoveDartInputs } from './schema'
