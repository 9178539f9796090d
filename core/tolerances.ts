/**
 * Every tolerance of the project, with its unit and its reason. Other small figures of core have a name with unit and reason where they are used; lint holds both.
 */

/** mm. Two points nearer than this are one point: far below a pencil line, far above rounding noise at 2 m. */
export const SAME_POINT_MM = 1e-6

/** mm. Edges of one outline must meet within this when a file is read: what a hand-written file can state exactly. */
export const JOIN_MM = 0.01

/** mm. Two measured lengths count as equal: a hundredth of a millimetre, ten times finer than any ruler. */
export const EQUAL_MM = 0.01

/** mm. Stop criterion of the adaptive length quadrature per segment; the stated bound for a path is 0.001 mm. */
export const LENGTH_STEP_MM = 1e-7

/** Unitless. The same criterion for very long curves, as a part of the length: some hundred times the noise of a double. */
export const LENGTH_STEP_PART = 1e-13

/** mm. How far a redrawn curve may run from the exact redrawn points: a tenth of a sharp pencil line. */
export const FIT_MM = 0.02

/** mm. How far a flattened curve may run from the curve when outlines are checked for crossing themselves. */
export const FLATTEN_MM = 0.1

/** mm. How far a curve offset for a seam allowance may run from the exact offset. */
export const OFFSET_FIT_MM = 0.02

/** Unitless. Parameter steps below this are rounding noise of a double in 0..1. */
export const SAME_PARAMETER = 1e-9

/** rad. Directions nearer than this are parallel (0.00006 degrees). */
export const PARALLEL_RAD = 1e-6

/** mm. A path whose control points all lie within this of its chord was drawn straight. */
export const STRAIGHT_MM = 0.01

/** deg. A redrawn curve may not turn more than this at a join that was not a corner before (craft: truing). */
export const SMOOTH_DEG = 1

/** mm. A seam that differs by no more than this matches. */
export const SEAM_GOOD_MM = 1

/** mm. A seam that differs by no more than this can be eased in; beyond it is a fault. */
export const SEAM_EASE_MM = 3

/** mm. Partner seams that were equal before a change must be equal to this after it. */
export const SEAM_KEPT_MM = 0.5

/** mm. A graded size must have grown by what was asked, round the body, to this: a quarter of a pencil line. */
export const GRADE_MM = 0.1

/** deg. An outline that runs through a seam may turn by no more than this when sewn, unless designed. */
export const RUN_THROUGH_DEG = 10

/** mm. More than this through one line of a tapered or flared piece is better shared between two lines. */
export const ONE_LINE_MM = 25

/** mm. Shortest window to each side of a level in which a crossed curve is redrawn. */
export const WINDOW_MIN_MM = 25

/** Unitless. Window to each side of a level, in jogs: long enough that the step does not show as a wiggle. */
export const WINDOW_JOGS = 6

/**
 * Unitless. Window to each side, in amounts: the smoothing profile is then at most 1.5 / 4 steep, so that a shortened
 * curve keeps over 0.6 of its pace, never runs back on itself, and partners of different slope shrink alike.
 */
export const WINDOW_AMOUNTS = 2

/** mm. The size of the printed test square, and of its twin in inches. */
export const TEST_SQUARE_MM = 50
export const TEST_SQUARE_IN_MM = 50.8

/** mm. The finest amount worth offering when an asked amount is refused: one sixteenth of an inch, rounded down. */
export const OFFER_STEP_MM = 0.5

/** Unitless. Part of a redrawn stretch over which the growth of its displacement at an end is measured. */
export const RATE_STEP = 1e-5

/** deg. A turn of an imported outline sharper than this is a corner: gentler ones are how curves are written as chords. */
export const CORNER_DEG = 18

/** mm. Ends of an imported outline's strokes nearer than this are joined; a wider gap is shown as open. */
export const GAP_MM = 0.5

/** mm2. Closed lines smaller than this are markings (buttons, punch holes), not pieces: a 4 cm square. */
export const LEAST_PIECE_MM2 = 1600

/** mm. An edge bent at a hinge is rounded there without changing its length by more than this: less than half of what the craft allows (0.05). */
export const HINGE_LENGTH_MM = 0.02

/** mm. Places on an outline nearer to a corner than this are the corner: a slash is not cut a hair beside it. */
export const SNAP_MM = 0.01

/** mm. A seam that a turned or swung part must keep the length of may differ by no more than this (craft 6.7). */
export const LENGTH_KEPT_MM = 0.05

/** Part of a move by which a slider rests beside a whole one and still stands at it: far less than an eye tells. */
export const MOVE_DONE_PART = 1e-3

/** rad. An arc that comes round to this much of a whole turn is a whole one: files write angles to some six figures. */
export const WHOLE_TURN_RAD = 1e-3

/** mm. A length that is looked for is found when it is met to this: far below what a promise allows. */
export const LENGTH_FOUND_MM = 1e-4

/** 1/mm. Two parts of a line bend alike where they meet when their curvatures differ by no more: a radius of 1 km. */
export const SAME_BEND_PER_MM = 1e-6

/** mm. The ease of half a cap is what it was to this: less than what a hand can ease unevenly in a stitch. */
export const EASE_KEPT_MM = 0.3

/** deg. A redrawn neckline is as square to the centre, and runs on across the shoulder, as before to this (craft 6.13). */
export const NECK_SQUARE_DEG = 0.1

/** deg. A cap that was drawn anew keeps its directions at its ends to this (craft 6.10). */
export const CAP_END_DEG = 1
