<script setup lang="ts">
import { CalendarPlus, CircleHelp, Plus, Trash2 } from 'lucide-vue-next'
import { computed, ref, watch } from 'vue'
import { compareSets, findDoubts, historyOf, latestSet, measuresOf, type Figure, type Wearer } from '~~/core/body'
import { say } from '~/messages'
import { showDay } from '~/days'
import { useWearers } from '~/stores/wearers'
import { valueOf } from '~/typed'

/** One wearer's figures: typed in the order of taking, beside a body that shows where each one runs. */
const props = defineProps<{ wearer: Wearer; /** Where acts are undone. */ scope: string }>()
const emit = defineEmits<{ deleted: [] }>()
const wearers = useWearers()

const setId = ref<string | null>(null)
const focused = ref('neck')
const sets = computed(() => [...props.wearer.sets].sort((a, b) => b.takenOn.localeCompare(a.takenOn)))
const set = computed(() => sets.value.find((s) => s.id === setId.value) ?? latestSet(props.wearer))
watch(
  () => props.wearer.id,
  () => (setId.value = null),
)
const before = computed(() => {
  const older = sets.value.filter((s) => s.id !== set.value?.id && s.takenOn <= (set.value?.takenOn ?? ''))
  return older[0] ?? null
})
const measures = computed(() => measuresOf(props.wearer))
const lit = computed(() => measures.value.find((m) => m.id === focused.value) ?? measures.value[0]!)
const taken = computed(() => Object.keys(set.value?.figures ?? {}))
const doubts = computed(() => (set.value ? findDoubts(set.value, before.value) : []))
const history = computed(() => historyOf(props.wearer, lit.value.id))
const compareId = ref<string>('')
const other = computed(() => sets.value.find((s) => s.id === compareId.value) ?? null)
const compared = computed(() => (set.value && other.value ? compareSets(other.value, set.value, measures.value) : []))
const nameOf = (id: string) => measures.value.find((m) => m.id === id)?.name ?? id

async function addSet() {
  setId.value = (await wearers.addSet(props.scope, props.wearer.id)) ?? setId.value
}
const put = (measureId: string, figure: Figure | null) =>
  set.value && wearers.setFigure(props.scope, props.wearer.id, set.value.id, measureId, figure)

const ownName = ref('')
const ownKind = ref<'round' | 'length'>('round')
async function addOwn() {
  const name = ownName.value.trim()
  if (!name) return
  ownName.value = ''
  await wearers.addOwn(props.scope, props.wearer.id, name, ownKind.value)
}
const asking = ref(false)
async function remove() {
  const { name } = props.wearer
  const stored = await wearers.remove(props.wearer)
  if (!stored.ok) return
  say(`${name} and all figures were deleted for good.`)
  emit('deleted')
}
const mmOf = (f: Figure | null) => (f === null ? null : 'mm' in f ? f.mm : Math.max(f.leftMm, f.rightMm))
</script>

<template>
  <div class="station min-h-0 md:grid-cols-[minmax(9rem,1fr)_minmax(22.5rem,1.2fr)_minmax(12rem,1fr)]">
    <section
      class="flex min-h-0 flex-col border-edge bg-water p-3 max-md:h-96 max-md:border-b md:border-r"
      aria-label="Where the measure runs"
    >
      <div class="min-h-0 flex-1"><WearerBodyFigure :lit="lit.id" :taken="taken" /></div>
      <div class="mt-2 rounded-lg bg-panel p-3" data-test="how-to">
        <p class="font-semibold">{{ lit.name }}</p>
        <p class="text-sm">{{ lit.how }}</p>
      </div>
    </section>

    <section class="station-main p-4" aria-label="Figures">
      <div class="mb-3 flex flex-wrap items-end gap-2">
        <label class="block">
          <span class="mb-1 block text-sm text-soft">Taken on</span>
          <select class="field" :value="set?.id" data-test="choose-set" @change="setId = valueOf($event)">
            <option v-for="s in sets" :key="s.id" :value="s.id">{{ showDay(s.takenOn) }} ({{ Object.keys(s.figures).length }})</option>
          </select>
        </label>
        <button class="btn" data-test="new-set" @click="addSet"><CalendarPlus class="size-4" />New set</button>
        <label v-if="set" class="block">
          <span class="mb-1 block text-sm text-soft">Day</span>
          <input
            type="date"
            class="field w-40"
            :value="set.takenOn"
            data-test="set-day"
            @change="valueOf($event) && wearers.editSet(scope, wearer.id, set!.id, { takenOn: valueOf($event) })"
          />
        </label>
      </div>
      <div v-if="set" class="space-y-1">
        <FieldsFigureField
          v-for="m in measures"
          :key="`${set.id} ${m.id}`"
          :model-value="set.figures[m.id] ?? null"
          :label="m.name"
          :sided="m.sided"
          :test="`figure-${m.id}`"
          @focus="focused = m.id"
          @update:model-value="put(m.id, $event)"
        />
        <form class="flex items-end gap-2 pt-3" @submit.prevent="addOwn">
          <label class="min-w-0 flex-1"
            ><span class="mb-1 block text-sm text-soft">A measure of your own</span
            ><input v-model="ownName" class="field" maxlength="60" placeholder="Forearm" data-test="own-name"
          /></label>
          <select v-model="ownKind" class="field w-28" aria-label="Kind of measure">
            <option value="round">round</option>
            <option value="length">along</option>
          </select>
          <button class="btn" data-test="own-add"><Plus class="size-4" />Add</button>
        </form>
        <UiNoteField
          :key="set.id"
          class="pt-2"
          :model-value="set.note"
          label="Note"
          test="set-note"
          @update:model-value="wearers.editSet(scope, wearer.id, set!.id, { note: $event })"
        />
      </div>
      <p v-else class="text-soft">No figures yet: begin with a new set.</p>
    </section>

    <section class="space-y-4 border-edge p-4 max-md:border-t md:min-h-0 md:overflow-y-auto md:border-l" aria-label="What the figures say">
      <div>
        <h2 class="mb-1 font-semibold">{{ lit.name }} over time</h2>
        <WearerHistoryChart v-if="history.length > 1" :name="lit.name" :points="history" />
        <p v-else class="text-sm text-soft">{{ history.length === 1 ? 'Taken once so far.' : 'Not taken yet.' }}</p>
      </div>
      <div v-if="doubts.length > 0" data-test="doubts">
        <h2 class="mb-1 flex items-center gap-2 font-semibold text-ease">
          <CircleHelp class="size-5" aria-hidden="true" />To look at again
        </h2>
        <ul class="space-y-2">
          <li v-for="(d, i) in doubts" :key="i" class="rounded-lg bg-ease-pale p-2.5 text-sm text-ease">
            <UiSentenceText :text="d.message" />
          </li>
        </ul>
      </div>
      <div v-if="sets.length > 1">
        <label class="block"
          ><span class="mb-1 block font-semibold">Compare with</span>
          <select v-model="compareId" class="field" data-test="compare-with">
            <option value="">nothing</option>
            <option v-for="s in sets.filter((x) => x.id !== set?.id)" :key="s.id" :value="s.id">{{ showDay(s.takenOn) }}</option>
          </select>
        </label>
        <table v-if="compared.length" class="mt-2 w-full text-sm" data-test="compared">
          <thead>
            <tr class="text-left text-soft">
              <th class="font-medium">measure</th>
              <th class="text-right font-medium">then</th>
              <th class="text-right font-medium">now</th>
              <th class="text-right font-medium">change</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="c in compared" :key="c.measureId" class="border-t border-edge/60">
              <td class="py-1">{{ nameOf(c.measureId) }}</td>
              <td class="text-right"><UiLengthText v-if="mmOf(c.before) !== null" :mm="mmOf(c.before)!" bare /></td>
              <td class="text-right"><UiLengthText v-if="mmOf(c.after) !== null" :mm="mmOf(c.after)!" bare /></td>
              <td class="text-right font-semibold"><UiLengthChange v-if="c.changeMm" :from="mmOf(c.before)!" :to="mmOf(c.after)!" /></td>
            </tr>
          </tbody>
        </table>
      </div>
      <WearerCommonStops :wearer="wearer" :in-garment="scope !== 'wardrobe'" />
      <WearerCrotchCurves :wearer="wearer" :scope="scope" />
      <slot />
      <div class="border-t border-edge pt-3">
        <button v-if="!asking" class="btn text-fault" data-test="delete-wearer" @click="asking = true">
          <Trash2 class="size-4" />Delete this wearer
        </button>
        <div v-else class="rounded-lg bg-fault-pale p-3">
          <p class="mb-2 text-sm text-fault">
            All figures of {{ wearer.name }} go for good, with the fittings and their photographs; this cannot be undone. Garments stay,
            without a wearer.
          </p>
          <div class="flex gap-2">
            <button class="btn text-fault" data-test="delete-wearer-yes" @click="remove">Delete for good</button>
            <button class="btn" @click="asking = false">Keep</button>
          </div>
        </div>
      </div>
    </section>
  </div>
</template>
