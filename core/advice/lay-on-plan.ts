import { alike, findKind, withId, withInputs, type Change, type NewChange, type Phase } from '../changes'

/** Phases in which the worksheet gives each zone its size: it plans those stops itself, on what all others leave. */
const SIZING: readonly Phase[] = ['new-sizes', 'sizes', 'sides']

const phaseOf = (stop: NewChange): Phase | undefined => findKind(stop.kind as string)?.phase
const isSizing = (stop: NewChange): boolean => SIZING.includes(phaseOf(stop)!)

/** The stops of a plan that a worksheet takes as done, so that it adds nothing to them twice: all but the sizes themselves. */
export const stopsBeforeSizes = (plan: readonly Change[]): Change[] => plan.filter((c) => !isSizing(c))

/** What becomes of a proposed stop in a plan: it is there already, is new, or another stop of the plan takes it over. */
export type LaidOn =
  | { how: 'there'; proposed: NewChange }
  | { how: 'add'; at: 'start' | 'end'; proposed: NewChange }
  /** The stop that is there, as it has to be set. */
  | { how: 'set'; proposed: NewChange; change: Change }

/**
 * Proposed stops beside those of a plan. A stop that was planned from the body before is set to the new figures; a length
 * that is still missing is put to the stop that changes the same length already; the rest is added.
 */
export function layOnPlan(proposed: readonly NewChange[], plan: readonly Change[]): LaidOn[] {
  return proposed.map((stop): LaidOn => {
    const own = plan.filter((c) => c.kind === stop.kind && c.on)
    // A length was measured with the stops that are there: it is still missing, however like one of them it looks.
    if (isSizing(stop) && own.some((c) => alike(c.inputs, stop.inputs))) return { how: 'there', proposed: stop }
    const kind = findKind(stop.kind as string)
    for (const there of own) {
      const inputs = kind?.takesOver?.(there.inputs, stop.inputs) ?? null
      // It does already what is asked for.
      if (inputs !== null && alike(inputs, there.inputs)) return { how: 'there', proposed: stop }
      // Two that are too much for one stop stay two.
      if (inputs !== null && kind!.schema.safeParse(inputs).success)
        return { how: 'set', proposed: stop, change: withInputs(there, inputs) }
    }
    // What is traced is chosen before anything is done to it.
    return { how: 'add', at: phaseOf(stop) === 'trace' ? 'start' : 'end', proposed: stop }
  })
}

/** A plan with proposed stops laid on it: new ones in their order at its end or start, others set to their new figures. */
export function planWith(laid: readonly LaidOn[], plan: readonly Change[], newId: () => string): { plan: Change[]; added: string[] } {
  const stopsAt = (place: 'start' | 'end') =>
    laid.flatMap((l): Change[] => (l.how === 'add' && l.at === place ? [withId(l.proposed, newId())] : []))
  const [first, last] = [stopsAt('start'), stopsAt('end')]
  const set = new Map(laid.flatMap((l) => (l.how === 'set' ? [[l.change.id, l.change] as const] : [])))
  return { plan: [...first, ...plan.map((c) => set.get(c.id) ?? c), ...last], added: [...first, ...last].map((c) => c.id) }
}
