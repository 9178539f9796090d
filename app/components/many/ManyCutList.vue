<script setup lang="ts">
import { Printer } from 'lucide-vue-next'
import { computed, shallowRef, watch } from 'vue'
import { USE_NAMES, USES } from '~~/core/cloth'
import type { CutLine } from '~~/core/many'
import { useMany, type ManyFit } from '~/stores/many'

/** What has to be cut for everybody, on one list. */
const props = defineProps<{ fits: readonly ManyFit[] }>()
const many = useMany()
const list = shallowRef<{ fit: ManyFit; lines: CutLine[] }[]>([])
const done = computed(() => props.fits.filter(many.isDone))
/** What is listed, as text: another row of the table is not read again. */
const key = computed(() => done.value.map((m) => `${m.id} ${m.madeFor} ${m.done!.madeAt}`).join('|'))
let listed = ''
/** Read when the workers have nothing else to do: while fits are worked out, each would ask for the list anew. */
watch(
  [key, () => many.progress === null],
  async ([now, isIdle]) => {
    if (!isIdle || now === listed) return
    listed = now
    list.value = await many.cuttingList(done.value)
  },
  { immediate: true },
)
const uses = computed(() => USES.filter((u) => list.value.some((c) => c.lines.some((l) => l[u] > 0))))
const print = () => window.print()
</script>

<template>
  <section data-test="cut-list">
    <div class="mb-3 flex flex-wrap items-center gap-3 print:hidden">
      <p class="mr-auto text-sm text-soft">Each fit that is worked out: its pieces, how often, from what. Tick them off while cutting.</p>
      <button class="btn-act" :disabled="list.length === 0" data-test="print-cut-list" @click="print">
        <Printer class="size-5" />Print the list
      </button>
    </div>
    <p v-if="done.length === 0" class="text-soft">Nothing is worked out yet: choose garments and wearers, and start.</p>
    <article v-for="c in list" :key="c.fit.id" class="panel mb-3 break-inside-avoid p-3" data-test="cut-fit">
      <h3 class="flex flex-wrap justify-between gap-2 font-semibold">
        <span>{{ c.fit.row.name }}, for {{ c.fit.wearer.name }}</span>
        <span v-if="c.fit.done!.made!.figures.clothMm !== null" class="font-normal text-soft"
          >main cloth <UiLengthText :mm="c.fit.done!.made!.figures.clothMm!"
        /></span>
      </h3>
      <table class="mt-1 w-full text-sm">
        <thead>
          <tr class="text-left text-soft">
            <th class="w-9" />
            <th class="py-1 font-medium">Piece</th>
            <th v-for="u in uses" :key="u" class="text-right font-medium">{{ USE_NAMES[u] }}</th>
            <th class="text-right font-medium">Along the grain</th>
            <th class="text-right font-medium">Across</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in c.lines" :key="l.piece" class="border-t border-edge/60">
            <td><span class="inline-block size-4 rounded-sm border border-ink/60 align-middle" aria-hidden="true" /></td>
            <th class="py-1 text-left font-normal">{{ l.piece }}<span v-if="l.onFold" class="text-soft">, on the fold</span></th>
            <td v-for="u in uses" :key="u" class="text-right">{{ l[u] || '' }}</td>
            <td class="text-right"><UiLengthText :mm="l.alongMm" /></td>
            <td class="text-right"><UiLengthText :mm="l.acrossMm" /></td>
          </tr>
        </tbody>
      </table>
    </article>
  </section>
</template>
