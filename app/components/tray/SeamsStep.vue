<script setup lang="ts">
import { Scissors, Trash2 } from 'lucide-vue-next'
import { seamLengths } from '~~/core/import'
import { useTray } from '~/stores/tray'
import { LONGEST_NAME, type Seam } from '~~/core/pattern'
import { useWearers } from '~/stores/wearers'
import { ref } from 'vue'

/** What the garment is called, and which proposed seams are sewn. */
const tray = useTray()
const wearers = useWearers()
/** The seam of the list that is pointed at: its edges stand out in the picture. */
const shown = ref<Seam | null>(null)
const piecesOf = (s: Seam) =>
  s.sides.map((side) => [...new Set(side.map((r) => tray.whole.pieces.find((p) => p.id === r.pieceId)?.name))].join(' + ')).join(' to ')
const marksOf = (s: Seam) => (s.marks.length ? `, ${s.marks.length} ${s.marks.length === 1 ? 'notch meets' : 'notches meet'}` : '')
/** What is said below the name of a seam: its pieces, where the name does not say them, and what meets. */
const besideName = (s: Seam) => `${piecesOf(s) === s.name ? '' : piecesOf(s)}${marksOf(s)}`.replace(/^, /, '')
</script>

<template>
  <div class="min-h-0 flex-1 overflow-y-auto p-6">
    <div class="mx-auto grid max-w-7xl gap-6 lg:grid-cols-[minmax(0,5fr)_minmax(0,7fr)]">
      <div class="space-y-6">
        <div class="grid gap-4 sm:grid-cols-2">
          <UiTextField
            :model-value="tray.state.garmentName"
            label="What is the garment called?"
            test="garment-title"
            :longest="LONGEST_NAME"
            @update:model-value="tray.act('name of the garment', (t) => void (t.garmentName = $event))"
          />
          <UiChoice
            :model-value="tray.state.wearerId ?? ''"
            :options="[{ value: '', label: 'no wearer yet' }, ...wearers.all.map((w) => ({ value: w.id, label: w.name }))]"
            label="Who is it for?"
            test="import-wearer"
            @update:model-value="tray.act('wearer', (t) => void (t.wearerId = $event || null))"
          />
        </div>
        <section aria-label="Proposed seams">
          <h2 class="font-display text-xl italic">Seams</h2>
          <p class="mb-2 text-soft">
            Proposed from what the edges are called, how long they are and where their notches lie. Untick what is not sewn together, and
            point at what is missing.
          </p>
          <p v-if="tray.proposed.length === 0" class="rounded-lg bg-ease-pale p-3 text-ease">
            No seam was found by name: point at the edges that are sewn together, below.
          </p>
          <ul class="divide-y divide-edge">
            <li
              v-for="s in tray.proposed"
              :key="s.id"
              class="px-2 hover:bg-water"
              @mouseenter="shown = s"
              @mouseleave="shown = null"
              @focusin="shown = s"
              @focusout="shown = null"
            >
              <label class="flex min-h-12 items-center gap-3 py-1.5" :data-test="`proposed-${s.name}`">
                <input
                  type="checkbox"
                  class="size-5 accent-(--act)"
                  :checked="!tray.state.leftOutSeams.includes(s.id)"
                  @change="
                    tray.act(s.name, (t) => {
                      t.leftOutSeams = t.leftOutSeams.includes(s.id) ? t.leftOutSeams.filter((x) => x !== s.id) : [...t.leftOutSeams, s.id]
                    })
                  "
                />
                <span class="min-w-0 flex-1"
                  ><span class="font-semibold">{{ s.name }}</span
                  ><span class="block text-sm text-soft">{{ besideName(s) }}</span></span
                >
                <span class="text-right tabular-nums"
                  ><UiLengthText :mm="seamLengths(tray.whole, s)[0]" bare /> and <UiLengthText :mm="seamLengths(tray.whole, s)[1]"
                /></span>
              </label>
            </li>
            <li v-for="a in tray.added" :key="a.id" class="flex min-h-12 flex-wrap items-center gap-3 py-1.5" data-test="added-seam">
              <span class="min-w-40 flex-1"
                ><span class="font-semibold">{{ a.seam.name }}</span
                ><span class="block text-sm text-soft">pointed at: {{ piecesOf(a.seam) }}{{ marksOf(a.seam) }}</span></span
              >
              <button class="btn text-sm" @click="tray.turnSeam(a.id)">Turn one side round</button>
              <button class="btn-quiet" :aria-label="`Take the ${a.seam.name} out`" @click="tray.removeSeam(a.id)">
                <Trash2 class="size-4" />
              </button>
              <span class="text-right tabular-nums"
                ><UiLengthText :mm="seamLengths(tray.whole, a.seam)[0]" bare /> and <UiLengthText :mm="seamLengths(tray.whole, a.seam)[1]"
              /></span>
            </li>
          </ul>
        </section>
        <p
          v-if="tray.state.pieces.some((p) => p.taken && tray.waiting(p) !== null)"
          class="flex gap-2 rounded-lg bg-ease-pale p-3 text-ease"
        >
          <Scissors class="size-5 shrink-0" aria-hidden="true" />Not ready, they stay in the tray:
          {{
            tray.state.pieces
              .filter((p) => p.taken && tray.waiting(p) !== null)
              .map((p) => `${p.draft.name} (${tray.waiting(p)})`)
              .join(', ')
          }}.
        </p>
      </div>
      <TraySeamPointer v-if="tray.whole.pieces.length > 0" class="lg:sticky lg:top-0 lg:self-start" :shown="shown" />
    </div>
  </div>
</template>
