import { defineStore } from 'pinia'
import { findKind, type Change, type Recipe } from '~~/core/changes'
import type { Garment } from '~~/core/pattern'
import { problemSentence } from '~~/core/result'
import { useLive } from '~/composables/useLive'
import { doRows } from '~/data/acts'
import { db } from '~/data/db'

/** Changes that were given a name, to be used on other garments. */
export const useRecipes = defineStore('recipes', () => {
  const all = useLive(() => db.recipes.toArray(), [] as Recipe[])

  /** Keeps a change under a name; gives the sentence to show when it cannot be kept. */
  async function keep(garment: Garment, change: Change, name: string): Promise<string | null> {
    if (!name.trim()) return 'Give it a name first.'
    const kind = findKind(change.kind as string)
    if (!kind?.recipe) return 'A change of this kind cannot be kept.'
    const recipe = kind.recipe.keep(garment, change.inputs, name, crypto.randomUUID())
    if (!recipe.ok) return problemSentence(recipe.problem)
    const stored = await doRows('recipes', `keep “${recipe.value.name}”`, [{ id: recipe.value.id, after: recipe.value }])
    return stored.ok ? null : problemSentence(stored.problem)
  }

  const forget = (recipe: Recipe) => doRows('recipes', `forget “${recipe.name}”`, [{ id: recipe.id, after: null }])

  return { all, keep, forget }
})
