import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { redoAct, undoAct } from '~/data/acts'
import { db, type Act } from '~/data/db'
import { useLive } from './useLive'

/** What can be undone and done again in a scope, kept up to date; a null scope has nothing. */
export function useActs(scope: MaybeRefOrGetter<string | null>) {
  const acts = useLive(
    async () => {
      const now = toValue(scope)
      return now ? await db.acts.where('scope').equals(now).sortBy('id') : []
    },
    [] as Act[],
    () => toValue(scope),
  )
  const here = (step: (scope: string) => Promise<string | null>) => () => {
    const now = toValue(scope)
    return now ? step(now) : Promise.resolve(null)
  }
  return {
    lastDone: computed(() => acts.value.filter((a) => a.undone === 0).at(-1) ?? null),
    nextRedo: computed(() => acts.value.find((a) => a.undone === 1) ?? null),
    undo: here(undoAct),
    redo: here(redoAct),
  }
}
