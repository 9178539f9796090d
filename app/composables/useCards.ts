import { shallowRef, watch, type Ref } from 'vue'
import { readCards, type CardRow } from '~/data/cards'
import { readFailed } from '~/data/storage'
import type { Hung } from './useHung'

/**
 * What the cards of some garments show, by the garments' ids; those of before until the next are read.
 * @param build the version of the application
 */
export function useCards(garments: Ref<readonly Hung[]>, build: string): Readonly<Ref<ReadonlyMap<string, CardRow>>> {
  const cards = shallowRef<ReadonlyMap<string, CardRow>>(new Map())
  let round = 0
  watch(
    () => garments.value.map((g) => `${g.id} ${g.updatedAt}`).join(),
    async () => {
      const own = ++round
      const read = await readCards(garments.value, build).catch(readFailed)
      if (read && own === round) cards.value = read
    },
    { immediate: true },
  )
  return cards
}
