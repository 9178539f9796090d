import { z } from 'zod'
import { Day } from '../body'
import { ChangeSchema, PinnedAmount, PinnedSchema, SideSchema } from '../changes'
import { Id, LONGEST_NAME, nameOfUpTo } from '../pattern'
import { ChoicesSchema } from '../size'
import { When } from '../when'

/** Signs that a note of a fitting may have. */
export const LONGEST_NOTE = 2000

const Note = z.string().max(LONGEST_NOTE)

/** What became of a sign or a pin. */
const DecisionSchema = z.discriminatedUnion('is', [
  z.strictObject({ is: z.literal('open') }),
  /** A stop was made of it. */
  z.strictObject({ is: z.literal('taken'), changeIds: z.array(Id).min(1).max(20) }),
  z.strictObject({ is: z.literal('rejected'), reason: Note }),
  /** To be looked at again in the next fitting. */
  z.strictObject({ is: z.literal('later') }),
])
export type Decision = z.infer<typeof DecisionSchema>

/** What was seen at one place. Every field may be left open but the place. */
export const SightingSchema = z.strictObject({
  id: Id,
  /** A place of the list (places.ts); one that this version does not know is kept. */
  placeId: Id,
  /** It sits well: there is no sign. */
  isWell: z.boolean(),
  /** A sign of that place; null for one’s own words. */
  signId: Id.nullable(),
  words: Note,
  half: z.enum(['front', 'back']).nullable(),
  side: SideSchema,
  /** As it was measured, mm; null where it was not. */
  mm: PinnedAmount.nullable(),
  decision: DecisionSchema,
})
export type Sighting = z.infer<typeof SightingSchema>

export const PinSchema = z.strictObject({ id: Id, pinned: PinnedSchema, side: SideSchema, words: Note, decision: DecisionSchema })
export type Pin = z.infer<typeof PinSchema>

/** The cloth that the mock-up or garment was sewn of. */
const ClothSchema = z.strictObject({
  kind: z.string().max(200),
  drape: z.enum(['stiff', 'medium', 'drapey']).nullable(),
  stretch: z.enum(['none', 'some', 'much']).nullable(),
  isWashed: z.boolean().nullable(),
})
export const NO_CLOTH: z.infer<typeof ClothSchema> = { kind: '', drape: null, stretch: null, isWashed: null }

/** One look at a garment on its wearer. */
export const FittingSchema = z.strictObject({
  id: Id,
  fitId: Id,
  heldOn: Day,
  /** The wearer’s figures of that day: a set of theirs; null where none were taken. */
  setId: Id.nullable(),
  /** The version that was sewn; null where that is not known. */
  versionId: Id.nullable(),
  cloth: ClothSchema,
  /** Shoes, underwear and what else matters. */
  worn: z.string().max(500),
  notes: z.string().max(5000),
  sightings: z.array(SightingSchema).max(300),
  pins: z.array(PinSchema).max(200),
  createdAt: When,
  updatedAt: When,
})
export type Fitting = z.infer<typeof FittingSchema>

/** The most stops of a plan. */
const Stops = z.array(ChangeSchema).max(500)

/** The plan of a fit at a moment: what lay on the cutting table. It is never changed but for its name. */
export const VersionSchema = z.strictObject({
  id: Id,
  fitId: Id,
  name: nameOfUpTo(LONGEST_NAME),
  madeAt: When,
  /** By hand, or by itself when sheets were printed, a file exported, or another version taken up again. */
  why: z.enum(['by-hand', 'printed', 'exported', 'before-going-back']),
  /** The stops for everybody, as they were. */
  mends: Stops,
  plan: Stops,
  choices: ChoicesSchema,
  /** The wearer’s figures that it was worked out with. */
  setId: Id.nullable(),
})
export type Version = z.infer<typeof VersionSchema>

/** A text put on a photograph, at a place of it: shares of its width and height. */
const MarkSchema = z.strictObject({ id: Id, x: z.number().min(0).max(1), y: z.number().min(0).max(1), text: z.string().max(200) })

/** The types of picture that a browser makes and shows. */
export const PICTURE_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const

/** A photograph of a fitting; its picture is kept beside it under the same id. */
export const PhotoSchema = z.strictObject({
  id: Id,
  fitId: Id,
  fittingId: Id,
  text: z.string().max(500),
  type: z.enum(PICTURE_TYPES),
  widthPx: z.int().min(1).max(20_000),
  heightPx: z.int().min(1).max(20_000),
  /** How large its picture is. */
  bytes: z.int().min(0),
  marks: z.array(MarkSchema).max(50),
  createdAt: When,
})
export type Photo = z.infer<typeof PhotoSchema>
