<script setup lang="ts">
import { CircleAlert, CircleCheck, SquareDashed } from 'lucide-vue-next'
import { computed, ref, watch } from 'vue'
import { boundsOf, distance, joinBoxes, placeAt, type Point } from '~~/core/geometry'
import { EDGE_ROLES, PIECE_KINDS, ROLE_NAMES, toName, type EdgeRole, type PieceKind } from '~~/core/pattern'
import type { TrayPiece } from '~/data/tray-row'
import { useTray } from '~/stores/tray'

/** Piece by piece: name and kind, edges, grain, fold, notches, allowance. */
const tray = useTray()
const edge = ref(0)
const mode = ref<'edges' | 'notches' | 'corners' | 'pair'>('edges')
/** The corner whose place on another size is being shown. */
const pairing = ref<{ sizeName: string; corner: number } | null>(null)

const KIND_NAMES: Record<PieceKind, string> = {
  front: 'front',
  back: 'back',
  sleeve: 'sleeve',
  'leg-front': 'front leg',
  'leg-back': 'back leg',
  'skirt-front': 'skirt front',
  'skirt-back': 'skirt back',
  band: 'band',
  other: 'other',
}

const piece = computed(() => tray.state.pieces.find((p) => p.draft.id === tray.chosenId) ?? listed.value[0] ?? null)
/** Frames that were set aside stand last: they are seldom looked at. */
const listed = computed(() => [...tray.state.pieces].sort((a, b) => Number(isAside(a)) - Number(isAside(b))))
const isAside = (p: TrayPiece) => p.aside !== undefined && !p.taken
const flipTaken = () => tray.edit(id.value, 'take or leave out', (p) => void (p.taken = !p.taken))
const outlineCount = computed(() => {
  const asideCount = tray.state.pieces.filter((p) => p.aside && !p.taken).length
  const n = tray.state.pieces.length - asideCount
  return `${n} ${n === 1 ? 'outline' : 'outlines'}${asideCount > 0 ? `, ${asideCount} set aside` : ''}`
})
const id = computed(() => piece.value?.draft.id ?? '')
watch(id, () => {
  edge.value = 0
  mode.value = 'edges'
  pairing.value = null
})
const chosenEdge = computed(() => piece.value?.draft.edges[edge.value] ?? piece.value?.draft.edges[0] ?? null)

/** For setting a notch or a corner without a mouse: how far along the marked edge, mm. */
const along = ref(0)
const placeOnEdge = () => placeAt(chosenEdge.value!.path, along.value).point

function onPlace(at: Point) {
  if (mode.value === 'pair') {
    if (pairing.value) void tray.pairCorner(id.value, pairing.value.sizeName, pairing.value.corner, at)
    pairing.value = null
    mode.value = 'edges'
    return
  }
  if (mode.value === 'notches') void tray.flipNotch(id.value, at)
  else void tray.splitAt(id.value, at)
}
function setGrain(way: 'page' | 'edge') {
  const p = piece.value
  if (!p) return
  const b = joinBoxes(p.draft.edges.map((e) => boundsOf(e.path)))
  const middle = { x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 }
  let along: Point = { x: 0, y: 1 }
  if (way === 'edge' && chosenEdge.value) {
    const path = chosenEdge.value.path
    const a = path[0]!.from
    const z = path[path.length - 1]!.to
    const length = distance(a, z)
    along = { x: (z.x - a.x) / length, y: (z.y - a.y) / length }
    if (along.y < 0 || (along.y === 0 && along.x < 0)) along = { x: -along.x, y: -along.y }
  }
  const half = Math.min(b.maxX - b.minX, b.maxY - b.minY) * (way === 'page' ? 0.35 : 0.3)
  void tray.editDraft(p.draft.id, 'grain', {
    grain: {
      from: { x: middle.x - along.x * half, y: middle.y - along.y * half },
      to: { x: middle.x + along.x * half, y: middle.y + along.y * half },
    },
  })
}
function startPairing(u: { sizeName: string; corner: number }) {
  pairing.value = u
  mode.value = 'pair'
}
const allAllowances = (mm: number) =>
  tray.editDraft(id.value, 'all allowances', { edges: piece.value!.draft.edges.map((e) => ({ ...e, allowanceMm: mm })) })
</script>

<template>
  <div v-if="piece" class="station min-h-0 flex-1 md:grid-cols-[15rem_minmax(0,1fr)_22rem]">
    <nav class="min-h-0 overflow-y-auto border-r border-edge bg-panel p-3" aria-label="Tray">
      <p class="mb-2 px-1 text-sm text-soft" data-test="tray-count">{{ outlineCount }}, {{ tray.readyCount }} ready</p>
      <ul class="space-y-1">
        <li v-for="p in listed" :key="p.draft.id">
          <button
            class="flex min-h-12 w-full items-center gap-2 rounded-lg px-2 text-left hover:bg-act-pale"
            :class="piece.draft.id === p.draft.id && 'bg-act-pale'"
            :aria-current="piece.draft.id === p.draft.id"
            :data-test="`tray-${p.draft.id}`"
            @click="tray.chosenId = p.draft.id"
          >
            <SquareDashed v-if="p.aside && !p.taken" class="size-5 shrink-0 text-soft" aria-hidden="true" /><CircleCheck
              v-else-if="tray.waiting(p) === null"
              class="size-5 shrink-0 text-good"
              aria-hidden="true"
            /><CircleAlert v-else class="size-5 shrink-0 text-ease" aria-hidden="true" />
            <span class="min-w-0"
              ><span class="block truncate font-semibold leading-tight">{{ p.draft.name }}</span
              ><span class="block text-sm text-soft">{{ tray.waiting(p) ?? 'ready' }}</span></span
            >
          </button>
        </li>
      </ul>
    </nav>
    <div class="relative min-h-0">
      <TrayPicture :piece="piece" :edge="edge" :mode="mode" :pairing="pairing" @edge="edge = $event" @place="onPlace" />
      <div
        class="absolute top-3 left-3 flex rounded-lg border border-edge bg-panel"
        role="radiogroup"
        aria-label="What a click on the outline does"
      >
        <button
          v-for="m in [
            { k: 'edges', n: 'Name edges' },
            { k: 'notches', n: 'Set notches' },
            { k: 'corners', n: 'Set corners' },
          ] as const"
          :key="m.k"
          role="radio"
          :aria-checked="mode === m.k"
          class="min-h-11 px-3 font-semibold first:rounded-l-md last:rounded-r-md"
          :class="mode === m.k ? 'bg-act text-act-ink' : 'hover:bg-act-pale'"
          :data-test="`mode-${m.k}`"
          @click="mode = m.k"
        >
          {{ m.n }}
        </button>
      </div>
    </div>
    <aside class="min-h-0 space-y-4 overflow-y-auto border-l border-edge bg-panel p-4" aria-label="This piece">
      <p v-if="piece.aside && !piece.taken" class="rounded-lg bg-note-pale p-3 text-note" data-test="set-aside">
        This line holds the other pieces: it is taken for the frame of the page and set aside.
        <button class="btn mt-2" data-test="take-back" @click="flipTaken">It is a piece: take it back</button>
      </p>
      <p v-if="piece.trouble" class="rounded-lg bg-fault-pale p-3 text-fault" role="alert">
        {{
          piece.trouble.code === 'too-fine'
            ? 'The outline, or what is drawn in it, has more parts than can be worked with. Draw it again with fewer points and bring the file again; the other pieces can be used now.'
            : piece.trouble.code === 'open'
              ? `The outline is open: ${(piece.trouble.gapMm ?? 0).toFixed(1)} mm are missing at the marked place. Close it in the drawing program and bring the file again; the other pieces can be used now.`
              : 'The outline crosses itself at the marked place. Mend it in the drawing program and bring the file again; the other pieces can be used now.'
        }}
      </p>
      <label class="block"
        ><span class="mb-1 block font-semibold">Name</span
        ><input
          class="field"
          :value="piece.draft.name"
          data-test="piece-name"
          @change="tray.editDraft(id, 'name', { name: toName(($event.target as HTMLInputElement).value) || piece!.draft.name })"
      /></label>
      <label class="block"
        ><span class="mb-1 block font-semibold">Kind of piece</span>
        <select
          class="field"
          :value="piece.draft.kind"
          data-test="piece-kind"
          @change="tray.setKind(id, ($event.target as HTMLSelectElement).value as PieceKind)"
        >
          <option v-for="k in PIECE_KINDS" :key="k" :value="k">{{ KIND_NAMES[k] }}</option>
        </select>
      </label>
      <div class="flex gap-3">
        <label class="w-24"
          ><span class="mb-1 block font-semibold">Cut</span
          ><input
            class="field"
            type="number"
            min="1"
            max="99"
            :value="piece.draft.count"
            @change="
              tray.editDraft(id, 'how many are cut', {
                count: Math.min(99, Math.max(1, Math.round(Number(($event.target as HTMLInputElement).value)) || 1)),
              })
            "
        /></label>
        <label class="flex min-h-11 items-end gap-2 pb-2.5"
          ><input
            type="checkbox"
            class="size-5 accent-(--act)"
            :checked="piece.draft.mirrored"
            @change="tray.editDraft(id, 'mirrored', { mirrored: ($event.target as HTMLInputElement).checked })"
          />half turned over</label
        >
      </div>
      <fieldset v-if="chosenEdge" class="rounded-lg border border-edge p-3" :aria-label="`Edge ${edge + 1}`">
        <legend class="px-1 font-semibold text-note">Edge {{ edge + 1 }} of {{ piece.draft.edges.length }}</legend>
        <label class="block"
          ><span class="text-sm text-soft">it is the</span>
          <select
            class="field"
            :value="chosenEdge.role"
            data-test="edge-role"
            @change="tray.setRole(id, edge, ($event.target as HTMLSelectElement).value as EdgeRole)"
          >
            <option v-for="r in EDGE_ROLES" :key="r" :value="r">{{ ROLE_NAMES[r] }}</option>
          </select>
        </label>
        <label class="mt-2 flex min-h-11 items-center gap-2"
          ><input
            type="checkbox"
            class="size-5 accent-(--act)"
            :checked="chosenEdge.fold"
            data-test="edge-fold"
            @change="tray.editEdge(id, edge, 'fold', { fold: ($event.target as HTMLInputElement).checked })"
          />lies on the fold</label
        >
        <FieldsLengthField
          v-if="!chosenEdge.fold"
          :model-value="chosenEdge.allowanceMm"
          label="its seam allowance"
          test="edge-allowance"
          positive
          @update:model-value="tray.editEdge(id, edge, 'allowance', { allowanceMm: $event })"
        />
        <button class="btn mt-2" @click="tray.joinEdges(id, edge)">Join with the next edge</button>
        <div class="mt-3 border-t border-edge pt-2">
          <FieldsLengthField v-model="along" label="a place on it, from its start" test="edge-along" positive />
          <div class="mt-2 flex gap-2">
            <button class="btn" data-test="notch-here" @click="tray.flipNotch(id, placeOnEdge())">Notch there</button>
            <button class="btn" data-test="corner-here" @click="tray.splitAt(id, placeOnEdge())">Corner there</button>
          </div>
        </div>
      </fieldset>
      <fieldset class="space-y-2">
        <legend class="font-semibold">Seam allowance</legend>
        <label class="flex min-h-11 items-center gap-2"
          ><input
            type="checkbox"
            class="size-5 accent-(--act)"
            :checked="piece.draft.allowanceIncluded"
            data-test="allowance-included"
            @change="tray.editDraft(id, 'allowance included', { allowanceIncluded: ($event.target as HTMLInputElement).checked })"
          />is included: the outline is the cut line</label
        >
        <FieldsLengthField
          :model-value="chosenEdge?.allowanceMm ?? 0"
          label="the same on every edge"
          test="all-allowances"
          positive
          @update:model-value="allAllowances"
        />
      </fieldset>
      <TrayFoldsField :draft="piece.draft" @take="tray.editDraft(id, $event.label, $event.change)" />
      <TraySizesField v-if="piece.draft.sizes.length > 0" :draft="piece.draft" :pairing="pairing" @pair="startPairing" />
      <TrayCupField :draft="piece.draft" />
      <fieldset>
        <legend class="mb-1 font-semibold">Grain {{ piece.draft.grain ? '(set)' : '(not set yet)' }}</legend>
        <div class="flex flex-wrap gap-2">
          <button class="btn" data-test="grain-page" @click="setGrain('page')">Up and down the page</button
          ><button class="btn" data-test="grain-edge" @click="setGrain('edge')">Along the marked edge</button>
        </div>
      </fieldset>
      <label class="flex min-h-11 items-center gap-2 border-t border-edge pt-3"
        ><input type="checkbox" class="size-5 accent-(--act)" :checked="!piece.taken" data-test="leave-out" @change="flipTaken" />{{
          piece.aside ? 'leave it out, it is a frame' : 'leave this outline out'
        }}</label
      >
    </aside>
  </div>
</template>
