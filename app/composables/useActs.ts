import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { redoAct, undoAct } from '~/data/acts'
import { endsOf, goToAct, logOf, type LoggedAct } from '~/data/acts-log'
import { useLive } from './useLive'

/** What can be undone and done again in a scope, kept up to date; a null scope has nothing. */
export function useActs(scope: MaybeRefOrGetter<string | null>) {
  const none: { done: LoggedAct | null; redo: LoggedAct | null } = { done: null, redo: null }
  const ends = useLive(
    async () => {
      const now = toValue(scope)
      return now ? endsOf(now) : none
    },
    none,
    () => toValue(scope),
  )
  const here = (step: (scope: string) => Promise<string | null>) => () => {
    const now = toValue(scope)
    return now ? step(now) : Promise.resolve(null)
  }
  return {
    lastDone: computed(() => ends.value.done),
    nextRedo: computed(() => ends.value.redo),
    undo: here(undoAct),
    redo: here(redoAct),
    /** The log of the scope, and a way to any point of it. */
    readLog: async (): Promise<LoggedAct[]> => {
      const now = toValue(scope)
      return now ? logOf(now) : []
    },
    goTo: async (actId: number | null): Promise<number | null> => {
      const now = toValue(scope)
      const gone = now ? await goToAct(now, actId) : null
      return gone?.ok ? gone.value : null
    },
  }
}
