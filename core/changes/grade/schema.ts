import { z } from 'zod'

const Interval = z.number().finite().min(0).max(5000)

/** Cardinal points of a pattern piece: corners that a grade rule names. */
export const CARDINALS = [
  'neck-centre',
  'neck-point',
  'shoulder-tip',
  'underarm',
  'waist-side',
  'waist-centre',
  'hem-side',
  'hem-centre',
  'apex',
  'cap-end',
  'wrist',
  'hip-side',
  'crotch-point',
  'opening-out',
  'opening-in',
  'leg-top',
  'crotch-corner',
] as const

export const CardinalSchema = z.enum(CARDINALS)
export type Cardinal = z.infer<typeof CardinalSchema>

/** Tables of rules: one for each kind of piece that grows in its own way. */
export const RULE_TABLES = ['bodice-front', 'bodice-back', 'sleeve', 'skirt', 'leg', 'one-piece'] as const

export const RuleTableSchema = z.enum(RULE_TABLES)
export type RuleTable = z.infer<typeof RuleTableSchema>

/** How far a point goes when the body grows by one interval, as parts of the interval: away from the centre, and down. */
export const RuleSchema = z.strictObject({ across: z.number().finite().min(-2).max(2), along: z.number().finite().min(-2).max(2) })

export type Rule = z.infer<typeof RuleSchema>

export const GradeSchema = z.strictObject({
  /** How much the body grows from one size to the next, mm. Nothing happens for 0. */
  intervalMm: Interval,
  /** Sizes to make above the largest and below the smallest. */
  up: z.int().min(0).max(20),
  down: z.int().min(0).max(20),
  /** Intervals of their own for single steps, nearest to the pattern first; empty ones take the one above. */
  upIntervalsMm: z.array(Interval).max(20),
  downIntervalsMm: z.array(Interval).max(20),
  /** Part of the growth that is given at centre front and back; the rest goes to the sides. */
  centre: z.enum(['none', 'third']),
  /** Rules of the sewist's own, instead of ours. */
  rules: z.partialRecord(RuleTableSchema, z.partialRecord(CardinalSchema, RuleSchema)),
  /** How it is drawn by hand. */
  school: z.enum(['shift', 'outward', 'spread']),
})

export type GradeInputs = z.infer<typeof GradeSchema>
