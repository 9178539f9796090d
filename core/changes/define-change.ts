import type { z } from 'zod'
import type { ChangeKind } from './types'

/** Gives a kind of change its type: its name as a literal, its inputs as its schema reads them. */
export const defineChange = <const K extends string, I>(
  change: { kind: K; schema: z.ZodType<I> } & ChangeKind<NoInfer<I>, K>,
): ChangeKind<I, K> => change
