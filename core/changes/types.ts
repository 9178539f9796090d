import type { z } from 'zod'
import type { Point } from '../geometry'
import type { CrotchCurve, MeasureSet } from '../body'
import type { Tolerances, WalkedCorner, WalkedDart, WalkedMark, WalkedSeam } from '../match'
import type { Garment } from '../pattern'
import type { Handle, PaperStep, PlayMove, SewnPicture } from './pictures'
import type { BodySide, Pinned } from './pinned'
import type { Result } from '../result'
import type { LengthRow, Sizing, Worksheet } from '../size'
import type { Ruler } from '../units'
import type { Concept, Wish, WishFigure } from '../wishes'

export type { Handle, PaperStep, PlayMove, SewnPicture, StepDrawing } from './pictures'

/** What a change may look at besides the garment. */
export interface ChangeContext {
  sizeId: string
  /** The wearer's newest figures; null without a wearer, or where none were taken. */
  body: MeasureSet | null
  /** The wearer’s readings of the crotch, oldest first; none where there are none. */
  crotchCurves?: readonly CrotchCurve[]
  /** What is settled about fit, ease, sizes and zones. */
  sizing: Sizing
  /** What counts as matching. */
  tolerances: Tolerances
  /** The pattern as bought, whose ease a later stop can bring back; a change without it holds against what it is given. */
  bought?: Garment
  /** The pieces while their other sizes still lay with them, where those have been left since. */
  nest?: Garment
  /** The sizes of a nest by which a plan is made, by their ids: of new ones no other is drawn. All of them where they are not given. */
  lookedAt?: readonly string[]
  /** Told before each stop of a plan, and by a change that makes several things: what they are, how many are done, and of how many. */
  progress?: (what: 'stop' | 'size', done: number, of: number) => void
}

/** A promise: a figure that the change must hold still, measured before and after. */
export interface HeldPromise {
  label: string
  /** The piece or seam. */
  where: string
  before: number
  after: number
  unit: 'mm' | 'deg'
  /** Largest difference that still counts as held, in the same unit. */
  allowed: number
  held: boolean
}

/** What one should know before the work is done. @typeParam I inputs of the kind that warns; without them it has no mend */
export interface Caution<I = never> {
  code: string
  message: string
  pieceId?: string
  /** Inputs of the same kind that would avoid it, with the words for the button. */
  mend?: { label: string; inputs: I }
}

/** What a change did to one piece. */
export interface TouchedPiece {
  pieceId: string
  /** The piece that was asked for, a partner found by walking a seam, or one that follows what it is sewn to. */
  how: 'asked' | 'partner' | 'follows'
  /** Lines across the piece, on the piece as it was. */
  levels: { id: string; label: string; line: { from: Point; to: Point }; amountMm: number }[]
}

/** What a change did. @typeParam I inputs of its kind */
export interface Applied<I = unknown> {
  garment: Garment
  touched: TouchedPiece[]
  leftOut: { pieceId: string; seamName: string }[]
  held: HeldPromise[]
  cautions: Caution<I>[]
  /** The amount that was really moved, mm, where the inputs ask for a result and not for an amount. */
  solvedMm?: number
  /** Where single points go, and what they are called: for drawing the rules of a grade. */
  arrows?: { pieceId: string; from: Point; to: Point; label: string }[]
  /** What the hands do, one move after the other, where there is something to turn or slide. */
  moves?: PlayMove[]
  /** What was done to both sides of the body alike, where only one is changed: what the hands do, and how it is sewn, is told on it. */
  alike?: Applied
  /** The ease between cap and armhole was asked to be another: that it is no longer what it was needs no caution. */
  setsEase?: boolean
  /** The dart that the change is about, on the piece after it: shown folded. */
  folded?: { pieceId: string; dartId: string }
}

/** Components that draw one input of one kind (app/components/fields/own-fields.ts). */
export type OwnField = 'RulesField' | 'MovesField' | 'ReadingsField'

/** One input of a change, as the form shows it. The kind of field decides the control; no screen knows the change. */
export type Field =
  | {
      type: 'growth'
      key: string
      label: string
      plus: string
      minus: string
      /** Which of the two a first figure means; the minus when left out. */
      first?: 'plus'
      /** The length there as bought, mm: then a wanted length can be typed too. */ nowMm?: number
    }
  | { type: 'length'; key: string; label: string; hint?: string }
  /** A part of something, 0 to 1: shown in hundredths, with a slider. */
  | { type: 'share'; key: string; label: string }
  | { type: 'piece'; key: string; label: string }
  | { type: 'levels'; key: string; pieceKey: string; label: string }
  | { type: 'partners'; key: string; label: string }
  | { type: 'choice'; key: string; label: string; options: { value: string; label: string }[] }
  | { type: 'count'; key: string; label: string; min?: number; max: number }
  /** A list of lengths, as many as `count`; empty places take the length under `fallbackKey`. */
  | { type: 'lengths'; key: string; label: string; count: number; fallbackKey: string }
  /** An input that no common field fits: by the name of the component that draws it, which reads the inputs by the kind's schema. */
  | { type: 'own'; component: OwnField; key: string; label: string }
  | { type: 'switch'; key: string; label: string; hint?: string }

export interface StepInput<I> {
  before: Garment
  inputs: I
  applied: Applied
  context: ChangeContext
  /** What its figures are written by. */
  ruler: Ruler
}

/**
 * Where in the work changes come, in the order that practitioners keep (craft 1): the piece for the cup, darts where they are
 * easy to work with, lengths, new sizes, a size for each zone, the bust and other widths, what the sides still miss, then what
 * follows from them.
 */
export const PHASES = [
  'trace',
  'place-darts',
  'lengths',
  'new-sizes',
  'sizes',
  'bust',
  'widths',
  'sides',
  'dart-height',
  'finish-darts',
  'hems',
  'true',
] as const
export type Phase = (typeof PHASES)[number]

/** A stop under a name of one's own: by what edges are and not by their ids, so that it finds its place on another garment. */
export interface Recipe {
  [more: string]: unknown
  id: string
  name: string
}

/** What a kind can keep of a stop, and how it is used again. */
export interface RecipeOf<I> {
  schema: z.ZodType<Recipe>
  /** Refuses where what the stop was made for has gone. */
  keep(garment: Garment, inputs: I, name: string, id: string): Result<Recipe>
  /** Refuses where it has no place on this garment. */
  use(garment: Garment, recipe: Recipe): Result<I>
}

/** What a body and the worksheet ask for, while a plan is made. */
export interface AskedByBody {
  context: ChangeContext
  /** Worked out on the pieces as they will be traced. */
  sheet: Worksheet
  /** Stops that the plan has, and those that are proposed so far: when each comes, and the one piece that it is about. */
  stops: readonly { phase: Phase; pieceId: string | null; isNew: boolean }[]
}

/** Something that does not match in a garment that was walked. */
export type Mismatch =
  | { what: 'seam'; seam: WalkedSeam }
  | { what: 'mark'; seam: WalkedSeam; mark: WalkedMark }
  | { what: 'dart'; dart: WalkedDart }
  | { what: 'corner'; corner: WalkedCorner }

/** A change that may mend a mismatch. */
export interface MendOffer<I> {
  /** The words of its button, and the note of the stop. */
  label: string
  note: string
  /** Inputs in the order of trying: the first that leaves fewer things off is offered. */
  tries: I[]
}

/** One of several ways to do the same. */
export interface Way<I> {
  label: string
  inputs: I
}

/** What a kind makes of a typed wish. */
export interface Reading<I> {
  inputs: I
  /** The words of the wish that it takes account of. */
  uses: readonly Concept[]
  /** Figures of the wish that are no amounts and that it takes account of: a wanted result, sizes, a cup, how many new sizes. */
  takes?: readonly WishFigure[]
  /** Verb or sign and thing are both understood, and fit this garment: it may be done without asking. */
  sure: boolean
  /** Which way its amount goes where none was typed: what is typed next is meant so. */
  towards?: 1 | -1
  /** The input that is asked for next, where it is not the first amount of the form. */
  field?: string
  /** What it does with its figures, in words, where its title and its amount do not say all of it. */
  words?: string
  /** Where, in words: “at the calf line”. */
  where?: string
  /** How an amount is meant, in words: “at each edge, 2 in round the body”. */
  how?: string
  /** What stays where it is, in words. */
  stays?: string
}

/** One kind of change: everything that the application, the paper and the command line need to know about it. */
export interface ChangeKind<I, K extends string = string> {
  kind: K
  title: string
  /** Words and sights by which people look for it. */
  foundBy: string[]
  does: string
  holds: string
  schema: z.ZodType<I>
  /** Inputs to begin with on this garment (amount zero), or why it does not apply. */
  begin(garment: Garment, context: ChangeContext): Result<I>
  fields(garment: Garment, inputs: I): Field[]
  /** Inputs for another piece, whose marks and edges are others; needed with a field that chooses the piece. */
  withPiece?(garment: Garment, inputs: I, pieceId: string, context: ChangeContext): I
  /** Inputs after a field was set, where another must follow it (a place on another edge); without it only that one is set. */
  withField?(garment: Garment, inputs: I, key: string, value: unknown): I
  /** What a stop is called with these inputs, and its figure; `isPlace` when that says where something is, and not how much it grows. */
  describe(garment: Garment, inputs: I): { title: string; amountMm: number | null; isPlace?: true }
  /**
   * What it makes of a typed wish, best first; nothing where the wish does not speak of it.
   * @param begun what `begin` gives, or null where the change does not apply
   */
  reads?(wish: Wish, garment: Garment, context: ChangeContext, begun: () => I | null): Reading<I>[]
  /** Signs on the body that it may mend, and trade words that it is the nearest to: by the order in which it is tried. */
  mayMend?: Partial<Record<Concept, number>>
  /** What it begins with for one of those, and its way (0 where that is asked); null where it has no place here. Left out, it begins as ever. */
  beginFor?(sign: Concept, garment: Garment, context: ChangeContext): { inputs: I; towards: 1 | 0 | -1 } | null
  /** Measures of the body, by id, that it brings the garment to. */
  gives?: readonly string[]
  /**
   * Inputs that give so much more of a measure, mm, where its amount is that measure; begun from what `begin` gives.
   * @returns null where it gives that measure in another way, or has no place for it
   */
  givesMore?(garment: Garment, begun: I, missingMm: number, context: ChangeContext, measureId: string): I | null
  /** When it comes in the order of work. */
  phase: Phase
  /** What it draws is one size of its own, put together from others: those are left once no stop to come looks at them. */
  drawsOneSize?: true
  /** What it costs when it comes after a stop of another phase, as the end of a sentence; nothing where it costs nothing. */
  costsAfter?: Partial<Record<Phase, string>>
  /** The one piece that it is about, where it does not matter what was done to others before. */
  onePiece?(inputs: I): string
  /** A stop that is there when a proposed one of its kind is laid on the plan: what it is set to, or null where both stay. */
  takesOver?(there: I, proposed: I): I | null
  /** Stops that the body asks for; the pieces as the stops before leave them are worked out when they are asked for. */
  proposes?(garmentNow: () => Garment, asked: AskedByBody): { inputs: I; note: string }[]
  /** Inputs that bring one length of the garment to the body's; null where it is for another kind, or has no place. */
  givesLength?(garment: Garment, row: LengthRow, context: ChangeContext): I | null
  /** Changes that would mend a mismatch, best first. */
  mends?(garment: Garment, mismatch: Mismatch, context: ChangeContext): MendOffer<I>[]
  /**
   * Inputs that do what was pinned on the body; null where such a pin is for another kind.
   * @param side the side of the body that it is done on; a kind that does both alike says so itself
   */
  ofPin?(garment: Garment, pinned: Pinned, side: BodySide, context: ChangeContext): Result<I> | null
  /** It can do a pin on one side of the body alone. */
  ofOneSide?: boolean
  /** On which side of the body it is done, where that can be chosen. */
  sideOf?(inputs: I): BodySide | undefined
  /** Is it done on one side alone, where that is said in another way? */
  isOneSided?(inputs: I): boolean
  /** The same inputs by the pieces of their side, where those that they name were opened out and lie on the other. */
  onItsSide?(garment: Garment, inputs: I): I
  /** Inputs that give on one side what these give round the body, where both sides share that. */
  forOneSide?(inputs: I): I
  /** How a stop of this kind is kept under a name, and used on another garment; a kind that has none is not kept. */
  recipe?: RecipeOf<I>
  /** The same inputs with its folded dart pressed the other way. */
  press?(inputs: I, to: 'before' | 'after'): I
  /** Partner pieces that these inputs leave out, and the same inputs with others left out. */
  leftOut?: { of(inputs: I): readonly string[]; set(inputs: I, pieceIds: string[]): I }
  /** Gives a new garment; changes nothing in place; never half done. */
  apply(garment: Garment, inputs: I, context: ChangeContext): Result<Applied<I>>
  handles(garment: Garment, inputs: I, applied: Applied, context: ChangeContext): Handle[]
  /** Inputs after a handle was dragged along its axis by some millimetres. */
  drag(garment: Garment, inputs: I, handleId: string, byMm: number, context: ChangeContext): I
  paperSteps(input: StepInput<I>): PaperStep[]
  /** What was changed, laid together as it will be sewn. */
  asSewn?(before: Garment, inputs: I, applied: Applied, context: ChangeContext): SewnPicture[]
  /** Other ways to do the same, to be seen side by side; the inputs at hand are one of them. */
  choices?(garment: Garment, inputs: I, context: ChangeContext): Way<I>[]
  /** Inputs with the largest amount that a refusal offers, where that is not the amount of `withAmount`. */
  withLargest?(garment: Garment, inputs: I, largestMm: number, context: ChangeContext): I
  /** The same inputs with the amount set. A change that is done or not done, and has no amount, has none. */
  withAmount?(garment: Garment, inputs: I, amountMm: number, context: ChangeContext): I
}
