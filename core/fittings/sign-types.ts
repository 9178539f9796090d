/** A change that is tried for a sign, as a wish; “#” is the amount. */
export interface Try {
  wish: string
  /** How much of the measured amount it is given, where that is not all of it. */
  share?: number
}

/** Something that is seen on the body, and what it may mean. */
export interface Sign {
  id: string
  /** What is seen, as a sentence without its end. */
  seen: string
  /** What it may mean: always a judgement. */
  may: string
  /** How the amount is taken; null where no figure is asked for. */
  measure: string | null
  /** The body’s measure that tells the amount where nothing was measured: what the pieces lack of it. */
  fromBody?: string
  /** In the order of trying. */
  tries: readonly Try[]
}

/** A place on the body. */
export interface Place {
  id: string
  name: string
  /** What to look for when all is well. */
  look: string
  signs: readonly Sign[]
}

/** Changes that are each given all of the amount, in the order of trying. */
export const wishes = (...texts: string[]): Try[] => texts.map((wish) => ({ wish }))
