<script setup lang="ts">
import { Printer } from 'lucide-vue-next'
import { computed } from 'vue'
import type { Garment } from '~~/core/pattern'
import { chosenSizes, listToTrace, type Worksheet } from '~~/core/size'
import { today } from '~/days'
import { useWork } from '~/stores/work'

/** Every piece with the size or sizes to trace, ticked off; printed, it is a sheet of its own. */
const props = defineProps<{ garment: Garment; sheet: Worksheet; traced: string[] }>()
const emit = defineEmits<{ tick: [pieceId: string] }>()
const work = useWork()
const list = computed(() => listToTrace(props.garment, chosenSizes(props.sheet)))
const isBeyond = computed(() => list.value.some((t) => t.sizes.some((s) => s.beyond !== 0)))
const printPage = () => window.print()
</script>

<template>
  <section aria-label="What to trace">
    <p class="hidden text-sm print:block">
      {{ work.project!.name }}<template v-if="work.wearer">, for {{ work.wearer.name }}</template
      >, {{ today() }}
    </p>
    <div class="mb-1 flex items-center gap-3">
      <h2 class="font-display text-xl italic">What to trace</h2>
      <button class="btn-quiet print:hidden" data-test="print-trace" @click="printPage"><Printer class="size-4" />Print</button>
    </div>
    <ul class="max-w-2xl divide-y divide-edge/60">
      <li v-for="t in list" :key="t.pieceId">
        <label class="flex min-h-11 items-center gap-3">
          <input
            type="checkbox"
            class="size-5 accent-(--act)"
            :checked="traced.includes(t.pieceId)"
            :data-test="`trace-${t.pieceId}`"
            @change="emit('tick', t.pieceId)"
          />
          <span class="w-40 font-semibold">{{ t.name }}</span>
          <span class="flex-1"
            >size
            <template v-for="(s, i) in t.sizes" :key="s.zone"
              >{{ i ? ', ' : '' }}<b>{{ s.sizeName }}</b
              ><template v-if="t.sizes.length > 1"> at the {{ s.zoneName }}</template></template
            ></span
          >
          <span class="text-sm text-soft">{{ t.follows }}</span>
        </label>
      </li>
    </ul>
    <p v-if="isBeyond" class="mt-2 text-sm text-soft">
      +1 or −1 is a step beyond the printed sizes. The plan draws it: take its stops into the plan, and print the piece on station Paper
      instead of tracing it.
    </p>
    <p class="mt-3 hidden text-sm print:block">
      Trace on the seam line with grain, notches and darts; where a piece takes several sizes, trace the largest and keep the paper.
    </p>
  </section>
</template>
