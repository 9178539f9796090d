<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { distance, placeAt, type Point } from '~~/core/geometry'
import { arrowAlong, ASIDES, isUnnamed } from '~~/core/import'
import { EDGE_ROLES, KIND_FACTS, PIECE_KINDS, ROLE_NAMES, toName } from '~~/core/pattern'
import type { TrayPiece } from '~/data/tray-row'
import { usePrefs } from '~/stores/prefs'
import { useTray } from '~/stores/tray'

/** Piece by piece: name and kind, edges, grain, fold, notches, allowance. */
const tray = useTray()
const prefs = usePrefs()
const edge = ref(0)
const mode = ref<'sheet' | 'edges' | 'notches' | 'corners' | 'within' | 'pair'>('edges')
/** The corner whose place on another size is being shown. */
const pairing = ref<{ sizeName: string; corner: number } | null>(null)

const MODES = [
  { value: 'sheet', label: 'Whole sheet' },
  { value: 'edges', label: 'Name edges' },
  { value: 'notches', label: 'Set notches' },
  { value: 'corners', label: 'Set corners' },
  { value: 'within', label: 'Lines within' },
] as const
const KINDS = PIECE_KINDS.map((value) => ({ value, label: KIND_FACTS[value].name }))
/** The first stands for an edge that nobody has named. */
const ROLES = [
  { value: '', label: 'no name yet', disabled: true } as const,
  ...EDGE_ROLES.map((value) => ({ value, label: value === 'other' ? 'plain edge, sewn to nothing' : ROLE_NAMES[value] })),
]
const roleOf = (e: TrayPiece['draft']['edges'][number]) => (isUnnamed(e) ? '' : e.role)
const unnamed = computed(() => piece.value?.draft.edges.filter(isUnnamed).length ?? 0)
const count = computed({
  get: () => piece.value?.draft.count ?? 1,
  set: (n) => void tray.editDraft(id.value, 'how many are cut', { count: Math.min(99, Math.max(1, Math.round(Number(n)) || 1)) }),
})

const piece = computed(() => tray.state.pieces.find((p) => p.draft.id === tray.chosenId) ?? listed.value[0] ?? null)
/** Frames that were set aside stand last: they are seldom looked at. */
const listed = computed(() => [...tray.state.pieces].sort((a, b) => Number(isAside(a)) - Number(isAside(b))))
const isAside = (p: TrayPiece) => p.aside !== undefined && !p.taken
/** On the whole sheet a click takes an outline in or out, and shows what it is. */
function flipOnSheet(outline: string) {
  tray.chosenId = outline
  void tray.flipTaken(outline)
}
const id = computed(() => piece.value?.draft.id ?? '')
watch(id, () => {
  edge.value = 0
  if (mode.value !== 'sheet') mode.value = 'edges'
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
  let along: Point = { x: 0, y: 1 }
  if (way === 'edge' && chosenEdge.value) {
    const path = chosenEdge.value.path
    const a = path[0]!.from
    const z = path[path.length - 1]!.to
    // An edge that goes all the way round runs nowhere: the grain stays upright.
    const length = distance(a, z)
    if (length > 0) along = { x: (z.x - a.x) / length, y: (z.y - a.y) / length }
    if (along.y < 0 || (along.y === 0 && along.x < 0)) along = { x: -along.x, y: -along.y }
  }
  const outline = p.draft.edges.flatMap((e) => [...e.path])
  void tray.editDraft(p.draft.id, 'grain', { grain: arrowAlong(outline, along) })
}
/** Another piece that is taken is half of what it is on the body: it lies on the fold, or ends at a centre or a crotch. */
const besideHalves = computed(() =>
  listed.value.some(
    ({ taken, draft }) =>
      taken && draft.id !== id.value && draft.edges.some((e) => e.fold || e.role === 'crotch' || e.role.startsWith('centre-')),
  ),
)
function startPairing(u: { sizeName: string; corner: number }) {
  pairing.value = u
  mode.value = 'pair'
}
</script>

<template>
  <div v-if="piece" class="station min-h-0 flex-1 md:grid-cols-[15rem_minmax(0,1fr)_22rem]">
    <TrayPackingList :pieces="listed" :chosen-id="piece.draft.id" />
    <div class="relative min-h-0">
      <TraySheetPicture
        v-if="mode === 'sheet'"
        :drawing="tray.drawing"
        :times="tray.state.times"
        :pieces="tray.state.pieces"
        :chosen-id="piece.draft.id"
        @flip="flipOnSheet"
      />
      <TrayPicture
        v-else
        :piece="piece"
        :edge="edge"
        :mode="mode"
        :pairing="pairing"
        @edge="edge = $event"
        @place="onPlace"
        @within="(part, index) => tray.flipWithin(id, part, index)"
      />
      <UiSegmented v-model="mode" class="absolute top-3 left-3" :options="MODES" label="What a click on the outline does" test="mode" />
    </div>
    <aside class="min-h-0 space-y-4 overflow-y-auto border-l border-edge bg-panel p-4" aria-label="This piece">
      <p v-if="piece.aside && !piece.taken" class="rounded-lg bg-note-pale p-3 text-note" data-test="set-aside">
        It is set aside: {{ ASIDES[piece.aside].what }}.
        <button class="btn mt-2" data-test="take-back" @click="tray.flipTaken(id)">It is a piece: take it back</button>
      </p>
      <p v-if="piece.trouble" class="rounded-lg bg-fault-pale p-3 text-fault" role="alert">
        {{
          piece.trouble.code === 'too-fine'
            ? 'The outline, or what is drawn in it, has more parts than can be worked with. Draw it again with fewer points and bring the file again; the other pieces can be used now.'
            : piece.trouble.code === 'open'
              ? `The outline is open: it is ${prefs.figure(piece.trouble.gapMm ?? 0, 1)} mm off at the marked place. Close it as it is drawn here, or in the drawing program and bring the file again; the other pieces can be used now.`
              : 'The outline crosses itself at the marked place. Mend it in the drawing program and bring the file again; the other pieces can be used now.'
        }}
        <button v-if="piece.trouble.code === 'open'" class="btn mt-2" data-test="close-outline" @click="tray.closeOutline(id)">
          Close it
        </button>
      </p>
      <TrayReadList v-if="piece.taken" :piece="piece" />
      <UiTextField
        :model-value="piece.draft.name"
        label="Name"
        test="piece-name"
        @update:model-value="tray.editDraft(id, 'name', { name: toName($event) || piece!.draft.name })"
      />
      <UiChoice
        :model-value="piece.draft.kind"
        :options="KINDS"
        label="Kind of piece"
        test="piece-kind"
        @update:model-value="tray.setKind(id, $event)"
      />
      <div class="flex gap-3">
        <label class="w-24"
          ><span class="mb-1 block font-semibold">Cut</span
          ><input v-model.lazy.number="count" class="field" type="number" min="1" max="99" data-test="piece-count"
        /></label>
        <UiCheck
          class="self-end"
          :model-value="piece.draft.mirrored"
          test="piece-mirrored"
          @update:model-value="tray.editDraft(id, 'mirrored', { mirrored: $event })"
          >half turned over</UiCheck
        >
      </div>
      <fieldset v-if="chosenEdge" class="rounded-lg border border-edge p-3" :aria-label="`Edge ${edge + 1}`">
        <legend class="px-1 font-semibold text-note">Edge {{ edge + 1 }} of {{ piece.draft.edges.length }}</legend>
        <UiChoice
          :model-value="roleOf(chosenEdge)"
          :options="ROLES"
          label="It is the"
          test="edge-role"
          @update:model-value="$event !== '' && tray.setRole(id, edge, $event)"
        />
        <button v-if="unnamed > 0" class="btn mt-2" data-test="rest-is-plain" @click="tray.restIsPlain(id)">
          {{ unnamed === 1 ? 'The one without a name is' : `All ${unnamed} without a name are` }} plain edges
        </button>
        <UiCheck
          class="mt-2"
          :model-value="chosenEdge.fold"
          test="edge-fold"
          @update:model-value="tray.editEdge(id, edge, 'fold', { fold: $event })"
          >lies on the fold</UiCheck
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
      <TrayAllowanceField :piece="piece" :edge-mm="chosenEdge?.allowanceMm ?? 0" />
      <TrayFoldsField :draft="piece.draft" @take="tray.editDraft(id, $event.label, $event.change)" />
      <TrayHalfField :draft="piece.draft" :beside-halves="besideHalves" @take="tray.takeHalf(id)" />
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
        ><input
          type="checkbox"
          class="size-5 accent-(--act)"
          :checked="!piece.taken"
          data-test="leave-out"
          @change="tray.flipTaken(id)"
        />{{ piece.aside ? 'leave it out, it is no piece' : 'leave this outline out' }}</label
      >
    </aside>
  </div>
</template>
