/** Large things on their way from a worker, each by number; only those that are not there already are in it. */
export interface Parcel<T> {
  numbers: number[]
  fresh: [number: number, thing: T][]
}

const numberOf = new WeakMap<object, number>()
let last = 0

/**
 * What is sent for these things; the same object has the same number every time.
 * @param held numbers of what the other side holds from before
 */
export function pack<T extends object>(things: readonly T[], held: readonly number[]): Parcel<T> {
  const numbers = things.map((thing) => {
    const known = numberOf.get(thing) ?? ++last
    numberOf.set(thing, known)
    return known
  })
  const fresh = things.map((thing, i): [number, T] => [numbers[i]!, thing])
  return { numbers, fresh: fresh.filter(([number], i) => !held.includes(number) && numbers.indexOf(number) === i) }
}

/** The receiving side: holds what came last, so that a thing that is the same as before is the same object here too. */
export class Shelf<T extends object> {
  private things = new Map<number, T>()

  get held(): number[] {
    return [...this.things.keys()]
  }

  /** The things of a parcel; what is not in it any more is let go. */
  unpack({ numbers, fresh }: Parcel<T>): T[] {
    const all = new Map([...this.things, ...fresh])
    this.things = new Map(numbers.map((number) => [number, all.get(number)!]))
    return numbers.map((number) => this.things.get(number)!)
  }
}
