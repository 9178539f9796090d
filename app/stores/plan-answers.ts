import type { Remote } from 'comlink'
import type { Desk } from '~/workers/desk'
import type { Asked } from '~/workers/desk-session'

/** Asks the worker something about the open fit; gives null where it could not answer, which is then said on the page. */
type Ask = <R>(what: string, question: (worker: Remote<Desk>, key: string, asked: Asked) => Promise<R>) => Promise<R | null>

/** What the stations ask the worker and keep themselves: each null where it could not be worked out. */
export const planAnswers = (ask: Ask) => ({
  /** What each way of choosing the sizes would lead to. */
  compareSchools: () => ask('the ways cannot be compared', (worker, key, asked) => worker.schools(key, asked)),
  /** The stop that brings one length to the body’s. */
  lengthStop: (lengthId: string) => ask('its stop cannot be worked out', (worker, key, asked) => worker.lengthStop(key, lengthId, asked)),
  /** The stop that takes out on the smaller side of the body what the other side needs more. */
  sideStop: (measureId: string) => ask('its stop cannot be worked out', (worker, key, asked) => worker.sideStop(key, measureId, asked)),
  /** What is left over, as bought or as the plan leaves it. */
  askedGiven: (isBought: boolean) =>
    ask('what is left over cannot be worked out', (worker, key, asked) => worker.askedGiven(key, isBought, asked)),
  /** The notebook page. @param mends ids of the stops that are done for everybody */
  notebook: (notes: string, mends: string[]) =>
    ask('the notebook page cannot be written', (worker, key, asked) => worker.notebook(key, notes, mends, asked)),
})
