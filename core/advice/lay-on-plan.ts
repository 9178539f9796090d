import { alike, findKind, isOneSided, withId, withInputs, type Change, type NewChange, type Phase } from '../changes'

/** Phases in which the worksheet gives each zone its size: it plans those stops itself, on what all others leave. */
const SIZING: readonly Phase[] = ['new-sizes', 'sizes', 'sides']

const phaseOf = (stop: NewChange): Phase | undefined => findKind(stop.kind as string)?.phase
const isSizing = (stop: NewChange): boolean => SIZING.includes(phaseOf(stop)!)
const isFromBody = (stop: NewChange): boolean => stop.from === 'body'

/**
 * The person's own stops, which worksheet and plan take as done: all but those that give the zones their sizes, those that a plan from
 * the body has put there, and those for one side alone. The first are proposed anew each time, so that asking again gives the same
 * again; a plan makes both sides alike, and what one of them has besides comes after it.
 */
export const ownStops = (plan: readonly Change[]): Change[] => plan.filter((c) => !isSizing(c) && !isFromBody(c) && !isOneSided(c))

/** What becomes of a proposed stop in a plan: it is there already, is new, or a stop of the plan is set to it; and what no longer is asked for. */
export type LaidOn =
  | { how: 'there'; proposed: NewChange; changeId: string }
  /** New: before the stop of this id; null at the end. */
  | { how: 'add'; beforeId: string | null; proposed: NewChange }
  /** The stop that is there, as it has to be set. */
  | { how: 'set'; proposed: NewChange; change: Change }
  /** A stop that the body asked for before, and does not now. */
  | { how: 'drop'; change: Change }

/** A stop as the person's own: one that a plan from the body has put there is no longer set anew by it. */
export function asOwn(change: Change): Change {
  const { from, ...own } = change
  return from === 'body' || from === undefined ? (own as Change) : change
}

/** The inputs of a stop with what another of its kind asks for; null where it cannot take that over, as on another side of the body. */
function taken(there: NewChange, more: NewChange): unknown {
  const kind = findKind(more.kind as string)
  const sideOf = (inputs: unknown) => kind?.sideOf?.(inputs) ?? 'both'
  return sideOf(there.inputs) === sideOf(more.inputs) ? (kind?.takesOver?.(there.inputs, more.inputs) ?? null) : null
}

/** One more stop to a plan: put to a stop that does the same already, else at the end. It is the person's own. */
export function layMore(more: NewChange, plan: readonly Change[]): Exclude<LaidOn, { how: 'drop' }> {
  const { from: _body, ...stop } = more
  const kind = findKind(stop.kind as string)
  for (const one of plan.filter((c) => c.kind === stop.kind && c.on)) {
    const there = asOwn(one)
    const inputs = taken(there, stop)
    // It does already what is asked for.
    if (inputs !== null && alike(inputs, there.inputs)) return { how: 'there', proposed: stop, changeId: there.id }
    // Two that are too much for one stop stay two.
    if (inputs !== null && kind!.schema.safeParse(inputs).success) return { how: 'set', proposed: stop, change: withInputs(there, inputs) }
  }
  return { how: 'add', beforeId: null, proposed: stop }
}

/** A proposed stop on a plan: a stop from the body that is the same, or about the same, else one of the person's own that takes it over. */
function layOne(stop: NewChange, fromBody: readonly Change[], own: readonly Change[]): Exclude<LaidOn, { how: 'drop' }> {
  const alikes = fromBody.filter((c) => c.kind === stop.kind)
  const same = alikes.find((c) => alike(c.inputs, stop.inputs))
  if (same) return { how: 'there', proposed: stop, changeId: same.id }
  const about = alikes.find((c) => taken(c, stop) !== null)
  if (about) return { how: 'set', proposed: stop, change: { ...withInputs(about, stop.inputs), note: stop.note } }
  const sized = isSizing(stop) ? own.find((c) => c.kind === stop.kind && alike(c.inputs, stop.inputs)) : undefined
  // What the person's own stops lack is put to the one that does the same; a new stop stays one from the body.
  return sized ? { how: 'there', proposed: stop, changeId: sized.id } : { ...layMore(stop, own), proposed: stop }
}

const idOf = (laid: LaidOn): string | null => (laid.how === 'there' ? laid.changeId : laid.how === 'set' ? laid.change.id : null)

/**
 * Proposed stops beside those of a plan, in the order of work. A stop that was planned from the body before is set to the new figures,
 * or dropped where they do not ask for it; what a stop of the person's own lacks is put to it; the rest is added where it belongs.
 */
export function layOnPlan(proposed: readonly NewChange[], plan: readonly Change[]): LaidOn[] {
  const on = plan.filter((c) => c.on)
  let fromBody = on.filter(isFromBody)
  const own = on.filter((c) => !isFromBody(c))
  const laid = proposed.map((stop) => {
    const one = layOne(stop, fromBody, own)
    fromBody = fromBody.filter((c) => c.id !== idOf(one))
    return one
  })
  const placed = laid.map((one, i): LaidOn => {
    if (one.how !== 'add') return one
    const next = laid.slice(i + 1).flatMap((l) => idOf(l) ?? [])[0]
    // What is traced is chosen before anything is done to it; what is for one side comes after all that is for both.
    const last = phaseOf(one.proposed) === 'trace' ? plan[0] : plan.find((c) => c.on && isOneSided(c))
    return { ...one, beforeId: next ?? last?.id ?? null }
  })
  return [...placed, ...fromBody.map((change): LaidOn => ({ how: 'drop', change }))]
}

/**
 * A plan with stops laid on it: new ones where they belong, others set to their new figures or dropped.
 *
 * @returns also the ids of those that are new
 */
export function planWith(laid: readonly LaidOn[], plan: readonly Change[], newId: () => string): { plan: Change[]; added: string[] } {
  const set = new Map(laid.flatMap((l) => (l.how === 'set' ? [[l.change.id, l.change] as const] : [])))
  const dropped = new Set(laid.flatMap((l) => (l.how === 'drop' ? [l.change.id] : [])))
  const adds = laid.flatMap((l) => (l.how === 'add' ? [{ beforeId: l.beforeId, stop: withId(l.proposed, newId()) }] : []))
  const known = new Set(plan.map((c) => c.id))
  // Before a stop for everybody is before all of this fit.
  const first = adds.filter((a) => a.beforeId !== null && !known.has(a.beforeId))
  const at = (beforeId: string | null) => adds.filter((a) => a.beforeId === beforeId).map((a) => a.stop)
  const kept = plan.flatMap((c) => [...at(c.id), ...(dropped.has(c.id) ? [] : [set.get(c.id) ?? c])])
  return { plan: [...first.map((a) => a.stop), ...kept, ...at(null)], added: adds.map((a) => a.stop.id) }
}
