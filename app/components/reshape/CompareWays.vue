<script setup lang="ts">
import { Columns2, X } from 'lucide-vue-next'
import { computed } from 'vue'
import { differenceOnRuler } from '~~/core/units'
import { usePrefs } from '~/stores/prefs'
import { usePlanSession } from '~/stores/plan-session'

/** Other ways to do the open stop, side by side: every figure that differs between them. The table shows them as ghosts. */
const props = defineProps<{ changeId: string }>()
const emit = defineEmits<{ take: [inputs: unknown] }>()
const session = usePlanSession()
const prefs = usePrefs()
const ways = computed(() => (session.ways?.changeId === props.changeId ? session.ways.list : null))
const rows = computed(() => {
  const list = ways.value ?? []
  const ids = [...new Map(list.flatMap((w) => w.ledger.map((r) => [r.id, r] as const))).values()]
  return ids
    .map((r) => ({
      ...r,
      change: list.map((w) => {
        const own = w.ledger.find((x) => x.id === r.id)
        return own && own.beforeMm !== null && own.afterMm !== null ? { from: own.beforeMm, to: own.afterMm } : null
      }),
    }))
    .filter((r) => r.group !== 'width' && new Set(r.change.map((c) => (c ? differenceOnRuler(c.to, c.from, prefs.ruler) : 0))).size > 1)
})
const letter = (i: number) => String.fromCharCode(65 + i)
</script>

<template>
  <section aria-label="Ways to do it" data-test="compare">
    <button v-if="!ways" class="btn w-full" data-test="compare-open" @click="session.compareWays(changeId)">
      <Columns2 class="size-4" />See the ways side by side
    </button>
    <div v-else class="rounded-lg border border-edge p-2.5">
      <div class="flex items-center justify-between">
        <h3 class="font-semibold">Ways to do it</h3>
        <button class="btn-quiet" aria-label="Close the comparison" @click="session.compareWays(null)"><X class="size-4" /></button>
      </div>
      <ul class="mb-2 space-y-1">
        <li v-for="(w, i) in ways" :key="i" class="flex min-h-11 items-center gap-2 text-sm">
          <b class="w-4">{{ letter(i) }}</b><span class="flex-1">{{ w.label }}</span>
          <span v-if="w.chosen" class="text-good">taken</span>
          <button v-else class="btn text-sm" :data-test="`take-way-${i}`" @click="emit('take', w.inputs)">Take</button>
        </li>
      </ul>
      <p v-if="rows.length === 0" class="text-sm text-soft">They differ in no figure that a ruler shows.</p>
      <table v-else class="w-full text-sm" data-test="ways-ledger">
        <thead>
          <tr class="text-left text-soft">
            <th class="font-medium">change of</th>
            <th v-for="(_, i) in ways" :key="i" class="pl-2 text-right font-medium">{{ letter(i) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.id" class="border-t border-edge/60 align-top">
            <td class="py-1">
              {{ r.label }}<span class="block text-soft">{{ r.where }}</span>
            </td>
            <td v-for="(c, i) in r.change" :key="i" class="py-1 pl-2 text-right">
              <UiLengthChange v-if="c" :from="c.from" :to="c.to" bare /><template v-else>0</template>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
