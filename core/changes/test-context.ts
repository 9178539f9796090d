import { DEFAULT_TOLERANCES } from '../match'
import { NO_SIZING } from '../size'
import type { Change } from './registry'
import type { ChangeContext } from './types'

/** For tests: a context in which nothing is settled, with what a test sets of it. */
export const contextWith = (set: Partial<ChangeContext> = {}): ChangeContext => ({
  sizeId: 'one',
  body: null,
  sizing: NO_SIZING,
  tolerances: DEFAULT_TOLERANCES,
  ...set,
})

/** For tests: a body with these figures, mm. */
export const bodyWith = (figures: Record<string, number>): ChangeContext['body'] => ({
  id: 'set',
  takenOn: '2026-03-01',
  note: '',
  figures: Object.fromEntries(Object.entries(figures).map(([id, mm]) => [id, { mm }])),
})

/** For tests: a stop of a plan, also one whose inputs its kind would not take. */
export const stopWith = (kind: string, inputs: unknown, id: string = kind, on = true): Change =>
  ({ id, kind, inputs, on, note: '' }) as Change
