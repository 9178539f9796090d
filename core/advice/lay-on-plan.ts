import type { Change, TakeCupInputs } from '../changes'
import type { NewChange } from './plan-sizes'

/** Stops by which the worksheet gives each zone its size: it plans them itself, on what all other stops leave. */
const SIZE_STOPS = ['grade', 'blend', 'add-at-edge']

/** Figures that differ by less than this mean the same stop, mm: far less than a pencil line. */
const SAME_MM = 0.5

/** The stops of a plan that a worksheet takes as done, so that it adds nothing to them twice: all but the sizes themselves. */
export const stopsBeforeSizes = (plan: readonly Change[]): Change[] => plan.filter((c) => !SIZE_STOPS.includes(c.kind))

/** What becomes of a proposed stop in a plan: it is there already, is new, or another stop of the plan takes it over. */
export type LaidOn =
  | { how: 'there'; proposed: NewChange }
  | { how: 'add'; at: 'start' | 'end'; proposed: NewChange }
  /** The stop that is there, with what it has to be set to. */
  | { how: 'set'; proposed: NewChange; changeId: string; inputs: unknown }

/**
 * Proposed stops beside those of a plan. A size stop that is there with other figures is set to the proposed ones; a length
 * that is still missing is put to the stop that changes the same length already.
 */
export function layOnPlan(proposed: readonly NewChange[], plan: readonly Change[]): LaidOn[] {
  return proposed.map((change): LaidOn => {
    const own = plan.filter((c) => c.kind === change.kind && c.on)
    if (SIZE_STOPS.includes(change.kind)) {
      if (own.some((c) => alike(c.inputs, change.inputs))) return { how: 'there', proposed: change }
      const other = own[0]
      return other
        ? { how: 'set', proposed: change, changeId: other.id, inputs: change.inputs }
        : { how: 'add', at: 'end', proposed: change }
    }
    if (change.kind === 'take-cup') {
      const other = own.find((c) => (c.inputs as TakeCupInputs).pieceId === (change.inputs as TakeCupInputs).pieceId)
      // It is a choice of what is traced: no other stop comes before it.
      return other
        ? { how: 'set', proposed: change, changeId: other.id, inputs: change.inputs }
        : { how: 'add', at: 'start', proposed: change }
    }
    // A length was measured with the stops that are there: it is still missing.
    for (const stop of own) {
      const inputs = sumOf(stop.inputs, change.inputs)
      if (inputs) return { how: 'set', proposed: change, changeId: stop.id, inputs }
    }
    return { how: 'add', at: 'end', proposed: change }
  })
}

/** Inputs that are the same but for figures that nobody could mark. */
function alike(a: unknown, b: unknown): boolean {
  if (typeof a === 'number' && typeof b === 'number') return Math.abs(a - b) <= SAME_MM
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return a === b
  const keys = Object.keys(a)
  return keys.length === Object.keys(b).length && keys.every((k) => alike((a as never)[k], (b as never)[k]))
}

/** Two lengthenings of one place as one: amounts (“…Mm” at the top of the inputs) added up, all else alike; null when it is not. */
function sumOf(there: unknown, more: unknown): unknown {
  const [a, b] = [there as Record<string, unknown>, more as Record<string, unknown>]
  const isAmount = (key: string) => key.endsWith('Mm') && typeof a[key] === 'number' && typeof b[key] === 'number'
  const keys = Object.keys(a)
  if (keys.length !== Object.keys(b).length || !keys.every((k) => isAmount(k) || alike(a[k], b[k]))) return null
  return Object.fromEntries(keys.map((k) => [k, isAmount(k) ? (a[k] as number) + (b[k] as number) : a[k]]))
}
