<script setup lang="ts">
import { Plus, Trash2 } from 'lucide-vue-next'
import { computed } from 'vue'
import type { Garment } from '~~/core/pattern'
import type { Charts } from '~~/core/size'
import { fieldOf } from '~/typed'

/** The cups of a pattern: up to which difference of full and high bust each is made, and which of them it has a piece for. */
const props = defineProps<{ garment: Garment; sizing: Charts }>()
const emit = defineEmits<{ edit: [label: string, recipe: (s: Charts) => void] }>()

const pieceOf = (cup: string) => props.garment.cups?.find((c) => c.cup === cup)?.name ?? null
const now = computed(() => props.garment.pieces.find((p) => p.cup)?.cup ?? null)
const ordered = (cups: Charts['cups']) => [...cups].sort((a, b) => a.upToMm - b.upToMm)
const setUpTo = (i: number, mm: number) => {
  if (mm > 0) emit('edit', 'cup', (s) => void (s.cups = ordered(s.cups.map((c, k) => (k === i ? { ...c, upToMm: mm } : c)))))
}
function setName(i: number, event: Event) {
  const field = fieldOf(event)
  const name = field.value.trim().slice(0, 20)
  if (name === '' || props.sizing.cups.some((c, k) => k !== i && c.name === name)) field.value = props.sizing.cups[i]!.name
  else emit('edit', 'name of a cup', (s) => void (s.cups[i]!.name = name))
}
/** What a cup more means, mm: an inch. */
const STEP_MM = 25
function add() {
  const { cups } = props.sizing
  const names = cups.map((c) => c.name)
  const name = ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H'].find((n) => !names.includes(n)) ?? `${cups.length + 1}`
  emit('edit', 'add a cup', (s) => void s.cups.push({ name, upToMm: (s.cups.at(-1)?.upToMm ?? 0) + STEP_MM }))
}
const remove = (i: number) => emit('edit', 'remove a cup', (s) => void s.cups.splice(i, 1))
</script>

<template>
  <div data-test="cup-table">
    <p class="text-sm text-soft">
      Full bust less high bust up to which each cup is made. A pattern that has a piece for each says so on import; the worksheet picks it.
    </p>
    <table v-if="sizing.cups.length" class="mt-2 text-sm">
      <thead>
        <tr class="text-left text-soft">
          <th class="pr-2 font-medium">cup</th>
          <th class="pr-2 font-medium">up to a difference of</th>
          <th class="pr-2 font-medium">piece</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="(c, i) in sizing.cups" :key="c.name">
          <td class="p-0.5">
            <input
              class="field w-20"
              :value="c.name"
              maxlength="20"
              :aria-label="`Name of cup ${c.name}`"
              :data-test="`cup-name-${i}`"
              @change="setName(i, $event)"
            />
          </td>
          <td class="p-0.5">
            <FieldsLengthField
              :model-value="c.upToMm"
              :label="`Cup ${c.name}, up to`"
              hide-label
              :test="`cup-upto-${i}`"
              positive
              @update:model-value="setUpTo(i, $event)"
            />
          </td>
          <td class="px-2">
            {{ pieceOf(c.name) ?? 'none of its own' }}<span v-if="pieceOf(c.name) && now === c.name" class="text-soft">, as bought</span>
          </td>
          <td>
            <button class="btn-quiet px-2" :aria-label="`Remove cup ${c.name}`" @click="remove(i)"><Trash2 class="size-4" /></button>
          </td>
        </tr>
      </tbody>
    </table>
    <button class="btn-quiet mt-2" data-test="add-cup" @click="add"><Plus class="size-4" />A cup</button>
  </div>
</template>
