<script setup lang="ts">
import { Scissors } from 'lucide-vue-next'
import { seamLengths } from '~~/core/import'
import { useTray } from '~/stores/tray'
import { useWearers } from '~/stores/wearers'

/** What the garment is called, and which proposed seams are sewn. */
const tray = useTray()
const wearers = useWearers()
// What was typed is read at once: the field may show the stored words again before the act is written.
const setName = (name: string) => tray.act('name of the garment', (t) => void (t.garmentName = name.slice(0, 120)))
const setWearer = (id: string) => tray.act('wearer', (t) => void (t.wearerId = id || null))
</script>

<template>
  <div class="min-h-0 flex-1 overflow-y-auto p-6">
    <div class="mx-auto max-w-3xl space-y-6">
      <div class="grid gap-4 sm:grid-cols-2">
        <label class="block"
          ><span class="mb-1 block font-semibold">What is the garment called?</span
          ><input
            class="field"
            :value="tray.state.garmentName"
            data-test="garment-title"
            @change="setName(($event.target as HTMLInputElement).value)"
        /></label>
        <label class="block"
          ><span class="mb-1 block font-semibold">Who is it for?</span>
          <select
            class="field"
            data-test="import-wearer"
            :value="tray.state.wearerId ?? ''"
            @change="setWearer(($event.target as HTMLSelectElement).value)"
          >
            <option value="">no wearer yet</option>
            <option v-for="w in wearers.all" :key="w.id" :value="w.id">{{ w.name }}</option>
          </select>
        </label>
      </div>
      <section aria-label="Proposed seams">
        <h2 class="font-display text-xl italic">Seams</h2>
        <p class="mb-2 text-soft">
          Proposed from what the edges are called and how long they are. Untick what is not sewn together; name more edges to find more.
        </p>
        <p v-if="tray.proposed.length === 0" class="rounded-lg bg-ease-pale p-3 text-ease">
          No seam was found: name the edges of front and back (shoulder, side seam, ...) and come back.
        </p>
        <ul class="divide-y divide-edge">
          <li v-for="s in tray.proposed" :key="s.id">
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
                ><span class="block text-sm text-soft"
                  >{{
                    s.sides
                      .map((side) => [...new Set(side.map((r) => tray.whole.pieces.find((p) => p.id === r.pieceId)?.name))].join(' + '))
                      .join(' to ')
                  }}<template v-if="s.marks.length"
                    >, {{ s.marks.length }} {{ s.marks.length === 1 ? 'notch meets' : 'notches meet' }}</template
                  ></span
                ></span
              >
              <span class="text-right tabular-nums"
                ><LengthText :mm="seamLengths(tray.whole, s)[0]" bare /> and <LengthText :mm="seamLengths(tray.whole, s)[1]"
              /></span>
            </label>
          </li>
        </ul>
      </section>
      <p v-if="tray.state.pieces.some((p) => p.taken && tray.waiting(p) !== null)" class="flex gap-2 rounded-lg bg-ease-pale p-3 text-ease">
        <Scissors class="size-5 shrink-0" aria-hidden="true" />Not ready, they stay in the tray:
        {{
          tray.state.pieces
            .filter((p) => p.taken && tray.waiting(p) !== null)
            .map((p) => `${p.draft.name} (${tray.waiting(p)})`)
            .join(', ')
        }}.
      </p>
    </div>
  </div>
</template>
