import { z } from 'zod'
import { EdgeRoleSchema, Id, nameOfUpTo, PieceKindSchema } from '../../pattern'

const AlongMm = z.number().finite().min(0).max(20000)

export const SlashSwingSchema = z.strictObject({
  pieceId: Id,
  /** Where the paper is cut open: an edge, and how far from its start, mm. */
  fromEdgeId: Id,
  fromMm: AlongMm,
  /** Where it hangs together. */
  hingeEdgeId: Id,
  hingeMm: AlongMm,
  /** How far the cut opens where it begins, mm; overlaps when negative. */
  amountMm: z.number().finite().min(-5000).max(5000),
  /** Which part swings: the one without the fold, the centre or the grain, or the one with it. */
  swings: z.enum(['far', 'near']),
})

export type SlashSwingInputs = z.infer<typeof SlashSwingSchema>

const Share = z.number().finite().min(0).max(1)

/** A slash that was given a name: by what edges are, not by their ids, so that it finds its place on another garment. */
export const SlashRecipeSchema = z.strictObject({
  id: Id,
  name: nameOfUpTo(80),
  pieceKind: PieceKindSchema,
  fromRole: EdgeRoleSchema,
  fromShare: Share,
  hingeRole: EdgeRoleSchema,
  hingeShare: Share,
  amountMm: SlashSwingSchema.shape.amountMm,
  swings: SlashSwingSchema.shape.swings,
})

export type SlashRecipe = z.infer<typeof SlashRecipeSchema>
