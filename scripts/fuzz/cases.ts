import type { Figure } from '../../core/body'
import type { UnitSystem } from '../../core/units'

/** Something that a person, a file or another program may come with; plain data, so that it can be kept and run again. */
export type Case =
  | { part: 'length'; text: string; units: UnitSystem }
  | { part: 'csv'; what: 'wearers' | 'chart'; text: string; units: UnitSystem }
  | { part: 'svg'; text: string }
  | { part: 'project'; text: string }
  /** One kind of change set in its form and tried on a garment of the demo, after other stops. */
  | { part: 'changes'; garment: string; stops: { kind: string; inputs: unknown }[] }
  /** A body, a garment, and what is chosen on the worksheet: planned, and the plan applied. */
  | { part: 'plan'; garment: string; figures: Record<string, Figure>; sizing: Record<string, unknown> }

export type Part = Case['part']
export const PARTS: readonly Part[] = ['svg', 'project', 'csv', 'length', 'changes', 'plan']

/** The order in which parts take their turns: a plan takes as long as a hundred others and comes up more seldom. */
export const TURNS: readonly Part[] = [...Array.from({ length: 8 }, () => PARTS.filter((p) => p !== 'plan')).flat(), 'plan']
