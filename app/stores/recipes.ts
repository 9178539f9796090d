import { defineStore } from 'pinia'
import { toRecipe, type SlashRecipe, type SlashSwingInputs } from '~~/core/changes'
import type { Garment } from '~~/core/pattern'
import { problemSentence } from '~~/core/result'
import { useLive } from '~/composables/useLive'
import { doRows } from '~/data/acts'
import { db } from '~/data/db'

/** Slashes that were given a name, to be used on other garments. */
export const useRecipes = defineStore('recipes', () => {
  const all = useLive(() => db.recipes.toArray(), [] as SlashRecipe[])

  /** Keeps a slash under a name; gives the sentence to show when it cannot be kept. */
  async function keep(garment: Garment, inputs: SlashSwingInputs, name: string): Promise<string | null> {
    if (!name.trim()) return 'Give it a name first.'
    const recipe = toRecipe(garment, inputs, name, crypto.randomUUID())
    if (!recipe.ok) return problemSentence(recipe.problem)
    const stored = await doRows('recipes', `keep “${recipe.value.name}”`, [{ id: recipe.value.id, after: recipe.value }])
    return stored.ok ? null : problemSentence(stored.problem)
  }

  const forget = (recipe: SlashRecipe) => doRows('recipes', `forget “${recipe.name}”`, [{ id: recipe.id, after: null }])

  return { all, keep, forget }
})
