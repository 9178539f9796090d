<script setup lang="ts">
import { ListPlus } from 'lucide-vue-next'
import type { AskedGiven } from '~~/core/advice'

/** Asked, given, left over: every zone and length of the body that has a figure, and why something is left. */
defineProps<{
  rows: AskedGiven[]
  /** Nothing has been changed yet: what is given is as bought. */
  isBought: boolean
  /** Lengths for which a stop can be taken into the plan at once. */
  addable?: ReadonlySet<string>
  /** Measures whose smaller side can have a stop of its own, with that side. */
  sided?: ReadonlyMap<string, 'left' | 'right'>
}>()
const emit = defineEmits<{ add: [id: string]; side: [id: string] }>()
const isLeft = (r: AskedGiven) => r.reason !== null
</script>

<template>
  <div class="overflow-x-auto">
    <table class="w-full min-w-[40rem] text-sm" data-test="asked-given">
      <thead>
        <tr class="border-b border-edge text-right text-soft">
          <th class="py-1 text-left font-medium">measure</th>
          <th class="font-medium">body</th>
          <th class="font-medium">asked</th>
          <th class="font-medium">as bought</th>
          <th v-if="!isBought" class="font-medium">given</th>
          <th class="pr-4 font-medium">{{ isBought ? 'missing' : 'left over' }}</th>
          <th class="text-left font-medium">{{ isBought ? 'what would give it' : 'how, or why not' }}</th>
          <th v-if="addable" class="print:hidden" />
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.id" class="border-b border-edge/60 text-right align-top" :data-test="`asked-${r.id}`">
          <th class="py-1 text-left font-semibold">{{ r.name }}</th>
          <td class="py-1"><UiLengthText :mm="r.bodyMm" bare /></td>
          <td class="py-1"><UiLengthText v-if="r.askedMm !== null" :mm="r.askedMm" bare /><span v-else class="text-soft">–</span></td>
          <td class="py-1"><UiLengthText :mm="r.boughtMm" bare /></td>
          <td v-if="!isBought" class="py-1 font-semibold"><UiLengthText :mm="r.givenMm" bare /></td>
          <td class="py-1 pr-4 font-semibold" :class="isLeft(r) && 'text-ease'">
            <template v-if="r.askedMm === null"><span class="font-normal text-soft">as designed</span></template>
            <template v-else-if="isLeft(r)"><UiLengthChange :from="r.givenMm" :to="r.askedMm" bare /></template>
            <span v-else class="font-normal text-good">nothing</span>
          </td>
          <td class="max-w-72 py-1 text-left text-soft">
            <UiSentenceText v-if="r.reason" :text="r.reason" />
            <template v-else>{{ r.by.join(', ') }}</template>
            <p v-if="r.sides" class="text-ease" :data-test="`sides-${r.id}`"><UiSentenceText :text="r.sides" /></p>
          </td>
          <td v-if="addable" class="text-right print:hidden">
            <button
              v-if="isLeft(r) && addable.has(r.id)"
              class="btn-quiet min-h-8 px-2 text-sm"
              :data-test="`add-${r.id}`"
              @click="emit('add', r.id)"
            >
              <ListPlus class="size-4" />Add as a stop
            </button>
            <button
              v-if="sided?.has(r.id)"
              class="btn-quiet min-h-8 px-2 text-sm whitespace-nowrap"
              :data-test="`side-${r.id}`"
              @click="emit('side', r.id)"
            >
              <ListPlus class="size-4" />Less on the {{ sided.get(r.id) }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
