import { WearerSchema } from '~~/core/body'
import { contextOf, type ChangeContext, type FoldedPlan } from '~~/core/changes'
import type { Tolerances } from '~~/core/match'
import type { Garment } from '~~/core/pattern'
import { SizingSchema } from '~~/core/size'

/** What is kept of one garment and one wearer between questions. */
export interface Session {
  base: Garment
  folded: FoldedPlan | null
  foldedOwn: FoldedPlan | null
  /** What the last fold was made with, and the same as text. */
  context: ChangeContext | null
  foldedFor: string
}

/** What the pieces are seen with: whose body, what is wanted, what counts as matching. */
export interface Asked {
  wearer: unknown
  sizing: unknown
  tolerances: Tolerances
}

/** What changes are seen with, read from what the page asks with. */
export const readContext = (garment: Garment, { wearer, sizing, tolerances }: Asked): ChangeContext =>
  contextOf(garment, { sizing: SizingSchema.parse(sizing) }, WearerSchema.nullable().parse(wearer), tolerances)
