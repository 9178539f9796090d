<script setup lang="ts">
import { Plus, Radio, Spline, Trash2 } from 'lucide-vue-next'
import { computed, ref } from 'vue'
import { readCurvePoints, type CrotchCurve, type CurvePoints, type Wearer } from '~~/core/body'
import { problemSentence } from '~~/core/result'
import { showDay } from '~/days'
import { useWearers } from '~/stores/wearers'

/** A wearer's readings of the crotch by a flexible curve: typed as points, taken from the simulated reader, or traced along an outline. */
const props = defineProps<{ wearer: Wearer; /** Where acts are undone. */ scope: string }>()
const wearers = useWearers()

const curves = computed(() => [...(props.wearer.crotchCurves ?? [])].reverse())
const adding = ref<'typed' | 'reader' | 'outline' | null>(null)
const text = ref('')
const note = ref('')
const problem = ref('')

function open(way: NonNullable<typeof adding.value>) {
  adding.value = adding.value === way ? null : way
  problem.value = ''
}

async function add() {
  const read = readCurvePoints(text.value)
  problem.value = read.ok ? '' : problemSentence(read.problem)
  if (read.ok && (await keep(read.value, note.value.trim()))) {
    text.value = ''
    note.value = ''
  }
}
async function keep(curve: CurvePoints, words: string): Promise<boolean> {
  const stored = await wearers.addCurve(props.scope, props.wearer.id, { ...curve, note: words })
  if (stored.ok) adding.value = null
  return stored.ok
}

function take(found: string) {
  text.value = found
  void add()
}

const boxOf = (c: CrotchCurve) => {
  const [xs, ys] = [c.points.map((p) => p.x), c.points.map((p) => p.y)]
  const [x, y] = [Math.min(...xs) - 8, Math.min(...ys) - 8]
  return `${x} ${y} ${Math.max(...xs) - x + 8} ${Math.max(...ys) - y + 8}`
}
const lineOf = (c: CrotchCurve) => c.points.map((p) => `${p.x},${p.y}`).join(' ')
</script>

<template>
  <section class="border-t border-edge pt-3" aria-labelledby="crotch-title" data-test="crotch-curves">
    <h2 id="crotch-title" class="mb-1 font-semibold">Crotch, by a flexible curve</h2>
    <p class="mb-2 text-sm text-soft">
      Bent along the body from the waist in front to the waist at the back, laid on paper, the inseam marked. Two or three readings say more
      than one.
    </p>
    <ul v-if="curves.length > 0" class="mb-2 space-y-2">
      <li v-for="c in curves" :key="c.id" class="flex items-center gap-3 rounded-lg border border-edge p-2" data-test="crotch-curve">
        <svg :viewBox="boxOf(c)" class="h-14 w-16 shrink-0" aria-hidden="true">
          <polyline :points="lineOf(c)" fill="none" stroke="var(--ink)" stroke-width="2" vector-effect="non-scaling-stroke" />
          <circle :cx="c.points[c.inseam]!.x" :cy="c.points[c.inseam]!.y" r="7" fill="var(--note)" />
        </svg>
        <span class="min-w-0 grow"
          >{{ showDay(c.takenOn) }}<span class="block text-sm text-soft">{{ c.note || `${c.points.length} points` }}</span></span
        >
        <button
          class="btn-icon"
          :aria-label="`Delete the reading of ${showDay(c.takenOn)}${c.note ? `, ${c.note}` : ''}`"
          @click="wearers.removeCurve(scope, wearer.id, c.id)"
        >
          <Trash2 class="size-5" aria-hidden="true" />
        </button>
      </li>
    </ul>
    <div class="flex flex-wrap gap-2">
      <button class="btn" data-test="curve-type" @click="open('typed')"><Plus class="size-4" />Type points</button>
      <button class="btn" data-test="curve-read" @click="open('reader')"><Radio class="size-4" />Curve reader</button>
      <button class="btn" data-test="curve-outline" @click="open('outline')"><Spline class="size-4" />From a photograph</button>
    </div>
    <form v-if="adding === 'typed'" class="mt-2 space-y-2" @submit.prevent="add">
      <label class="block"
        ><span class="mb-1 block text-sm text-soft"
          >One point a line, x and y in mm, front waist first; a * behind the one at the inseam</span
        ><textarea
          v-model="text"
          class="field h-36 font-mono"
          placeholder="0 0&#10;2 90&#10;10 180&#10;70 262 *&#10;160 240&#10;212 120&#10;205 -30"
          data-test="curve-points"
        ></textarea>
      </label>
      <label class="block"
        ><span class="mb-1 block text-sm text-soft">Note</span><input v-model="note" class="field" maxlength="120"
      /></label>
      <button class="btn btn-act" data-test="curve-add">Keep the reading</button>
    </form>
    <WearerCurveReader v-else-if="adding === 'reader'" @read="take" />
    <LazyWearerOutlineCurve v-else-if="adding === 'outline'" @close="adding = null" @keep="keep" />
    <p v-if="problem" role="alert" class="mt-2 text-sm text-fault" data-test="curve-problem">{{ problem }}</p>
  </section>
</template>
