<script setup lang="ts">
import { Trash2 } from 'lucide-vue-next'
import { computed, ref } from 'vue'
import type { Garment } from '~~/core/pattern'
import { sizeWords, type Choices, type WorksheetRow } from '~~/core/size'
import { lengthToken, parseLength } from '~~/core/units'
import { sayFault } from '~/messages'
import { usePrefs } from '~/stores/prefs'
import { fieldOf, valueOf } from '~/typed'

/** The worksheet, zone by zone: body, size by the chart, ease of every size, ease wanted, the size to cut and why, what is missing. */
const props = defineProps<{
  rows: WorksheetRow[]
  garment: Garment
  /** Finished measures of the pieces as altered, by zone; null while nothing is changed. */
  altered: Map<string, number> | null
  /** Whether a zone is one of the user's own. */
  own: (zoneId: string) => boolean
}>()
const emit = defineEmits<{ edit: [label: string, recipe: (s: Choices) => void]; remove: [zoneId: string] }>()
/** The zone that is lit on the pieces. */
const lit = defineModel<string | null>('lit', { required: true })
const prefs = usePrefs()

const zoneName = (zone: string) => props.rows.find((r) => r.zone.id === zone)?.zone.name ?? zone
const setWanted = (zone: string, mm: number | null) =>
  emit('edit', `wanted ease, ${zoneName(zone)}: ${mm === null ? 'from the table' : lengthToken(mm)}`, (s) => {
    const rest = Object.entries(s.wantedMm).filter(([id]) => id !== zone)
    s.wantedMm = Object.fromEntries(mm === null ? rest : [...rest, [zone, mm]])
  })
function takeWanted(event: Event, zone: string) {
  const field = fieldOf(event)
  const read = parseLength(field.value, prefs.units)
  if (read.ok) setWanted(zone, read.value)
  else {
    sayFault(`“${field.value}” is not a length: ${read.problem.remedy}`)
    field.value = prefs.length(props.rows.find((r) => r.zone.id === zone)!.wantedMm, { bare: true })
  }
}
const setChosen = (zone: string, sizeId: string) =>
  emit('edit', `size, ${zoneName(zone)}: ${props.garment.sizes.find((s) => s.id === sizeId)?.name ?? 'by rule'}`, (s) => {
    const rest = Object.entries(s.chosen).filter(([id]) => id !== zone)
    s.chosen = Object.fromEntries(sizeId ? [...rest, [zone, sizeId]] : rest)
  })
/** One scale for all zones, so that the strips can be read against each other. */
const scale = computed(() => {
  const eases = props.rows.flatMap((r) => [...r.sizes.flatMap((s) => s.easeMm ?? []), ...(r.bodyMm === null ? [] : [r.wantedMm])])
  const near = eases.filter((e) => Math.abs(e) < 320)
  return { from: Math.min(-20, ...near) - 8, to: Math.max(60, ...near) + 8 }
})
/** Finished measure and ease of every size are written out, too. */
const allFigures = ref(false)
</script>

<template>
  <div>
    <label class="mb-1 inline-flex min-h-9 items-center gap-2 text-sm print:hidden"
      ><input v-model="allFigures" type="checkbox" class="size-5 accent-(--act)" data-test="all-figures" />finished measure and ease of
      every size in figures</label
    >
    <div class="overflow-x-auto print:hidden">
      <table class="w-full min-w-[46rem] text-sm" data-test="worksheet">
        <thead>
          <tr class="text-left text-soft">
            <th class="py-1 font-medium">zone</th>
            <th class="text-right font-medium">body</th>
            <th class="px-2 text-center font-medium">by chart</th>
            <th class="px-2 font-medium">ease of each size</th>
            <th class="font-medium">ease wanted</th>
            <th class="font-medium">size</th>
            <th class="text-right font-medium">missing an edge</th>
            <th v-if="altered" class="text-right font-medium">ease as altered</th>
          </tr>
        </thead>
        <tbody>
          <template v-for="r in rows" :key="r.zone.id">
            <tr
              class="border-t border-edge/60 align-middle"
              :class="lit === r.zone.id && 'bg-act-pale/60'"
              :data-test="`zone-${r.zone.id}`"
              @mouseenter="lit = r.zone.id"
            >
              <td class="py-1 font-semibold">
                {{ r.zone.name }}
                <button
                  v-if="own(r.zone.id)"
                  class="btn-quiet px-1"
                  :aria-label="`Remove the zone ${r.zone.name}`"
                  @click="emit('remove', r.zone.id)"
                >
                  <Trash2 class="size-4" />
                </button>
              </td>
              <td class="text-right"><UiLengthText v-if="r.bodyMm !== null" :mm="r.bodyMm" /><span v-else class="text-soft">–</span></td>
              <td class="px-2 text-center" :data-test="`chart-size-${r.zone.id}`">
                <template v-if="r.byChart">{{ sizeWords(garment, r.byChart) }}</template><span v-else class="text-soft">–</span>
              </td>
              <td class="w-[34%] px-2">
                <SizeEaseStrip v-if="r.bodyMm !== null" :row="r" :from-mm="scale.from" :to-mm="scale.to" />
                <span v-else class="text-soft"
                  >measures
                  <template v-for="(s, i) in r.sizes" :key="s.sizeId"
                    >{{ i ? ', ' : '' }}{{ s.name }}: <UiLengthText :mm="s.mm" bare /></template
                ></span>
              </td>
              <td>
                <div class="flex items-center gap-1">
                  <input
                    class="field w-20 px-2 text-right"
                    :value="prefs.length(r.wantedMm, { bare: true })"
                    :aria-label="`Ease wanted, ${r.zone.name}`"
                    :data-test="`wanted-${r.zone.id}`"
                    @change="takeWanted($event, r.zone.id)"
                  />
                  <button
                    v-if="r.wantedBy === 'you'"
                    class="btn-quiet px-1 text-xs"
                    :aria-label="`Ease wanted, ${r.zone.name}: from the table again`"
                    @click="setWanted(r.zone.id, null)"
                  >
                    reset
                  </button>
                </div>
                <p v-if="r.designedMm !== null" class="mt-0.5 text-xs text-soft" :data-test="`designed-${r.zone.id}`">
                  <template v-if="r.wantedBy === 'design' && Math.abs(r.wantedMm - r.designedMm) < 1">as designed</template>
                  <template v-else>designed <UiLengthText :mm="r.designedMm" bare /></template>
                </p>
              </td>
              <td>
                <select
                  class="field w-28 px-2"
                  :value="r.chosen?.by === 'you' ? r.chosen.sizeId : ''"
                  :aria-label="`Size, ${r.zone.name}`"
                  :data-test="`size-${r.zone.id}`"
                  @change="setChosen(r.zone.id, valueOf($event))"
                >
                  <option value="">
                    {{ r.chosen && r.chosen.by === 'rule' ? sizeWords(garment, r.chosen) : 'by rule' }}
                  </option>
                  <option v-for="s in garment.sizes" :key="s.id" :value="s.id">{{ s.name }}, yours</option>
                </select>
              </td>
              <td class="text-right font-semibold" :data-test="`missing-${r.zone.id}`">
                <template v-if="r.remainderMm !== null"
                  ><UiLengthText :mm="r.remainderMm / r.edges" signed /><span class="block text-xs font-normal text-soft"
                    >{{ r.edges }} edges</span
                  ></template
                >
              </td>
              <td v-if="altered" class="text-right" :data-test="`altered-${r.zone.id}`">
                <UiLengthChange v-if="r.bodyMm !== null" :from="r.bodyMm" :to="altered.get(r.zone.id)!" />
              </td>
            </tr>
            <tr v-if="r.chosen || r.disagree.length || r.silhouette">
              <td />
              <td :colspan="altered ? 7 : 6" class="pb-2 text-soft" :data-test="`why-${r.zone.id}`">
                <template v-if="r.chosen && r.bodyMm !== null"
                  ><span class="font-semibold text-ink"
                    >Finished <UiLengthText :mm="r.bodyMm + r.chosen.easeMm" />, ease
                    <UiLengthChange :from="r.bodyMm" :to="r.bodyMm + r.chosen.easeMm" />.</span
                  >&#32;<UiSentenceText :text="r.chosen.why"
                /></template>
                <span v-if="r.silhouette" class="block text-note" :data-test="`silhouette-${r.zone.id}`"
                  ><UiSentenceText :text="r.silhouette"
                /></span>
                <span v-for="d in r.disagree" :key="d.sizeName" class="block text-ease"
                  >Printed for size {{ d.sizeName }}: <UiLengthText :mm="d.printedMm" />, but the pieces measure
                  <UiLengthText :mm="d.measuredMm" />.</span
                >
                <SizeFigures v-if="allFigures" :row="r" />
              </td>
            </tr>
          </template>
        </tbody>
      </table>
    </div>
  </div>
</template>
