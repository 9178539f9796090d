<script setup lang="ts">
import { ArrowLeft, CircleAlert, CircleCheck, FileUp, Scissors, Trash2 } from 'lucide-vue-next'
import { toast } from 'vue-sonner'
import { computed, onMounted, ref, watch } from 'vue'
import { boundsOf, distance, joinBoxes, type Point } from '~~/core/geometry'
import { toPathData } from '~~/core/formats'
import { ROLE_NAMES, seamLengths } from '~~/core/import'
import { EDGE_ROLES, PIECE_KINDS, type EdgeRole, type PieceKind } from '~~/core/pattern'
import { problemSentence } from '~~/core/result'
import { useTray } from '~/stores/tray'
import { useWardrobe } from '~/stores/wardrobe'

const tray = useTray()
const wardrobe = useWardrobe()
const router = useRouter()
const input = ref<HTMLInputElement | null>(null)
const refused = ref<string | null>(null)
const edge = ref(0)
const mode = ref<'edges' | 'notches' | 'corners'>('edges')
const step = ref<'pieces' | 'seams'>('pieces')
onMounted(() => tray.load())

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
/** Files over this are not even read into memory, bytes. */
const MAX_FILE = 20_000_000

async function take(file: File | undefined) {
  if (!file) return
  refused.value = null
  if (file.size > MAX_FILE) {
    refused.value = `${file.name} has ${Math.round(file.size / 1e6)} MB; up to ${MAX_FILE / 1e6} MB are read. Take pictures and hidden parts out of it and save it again; nothing was changed here.`
    return
  }
  const problem = await tray.takeFile(file.name, await file.text())
  if (problem) refused.value = `${file.name}, ${problemSentence(problem)}`
}
function onPick(event: Event) {
  const field = event.target as HTMLInputElement
  void take(field.files?.[0])
  field.value = ''
}

// Scale: from the file, or by a line whose true length is known.
const box = computed(() => (tray.drawing ? joinBoxes(tray.drawing.shapes.map((s) => boundsOf(s.path))) : null))
const scaleWay = ref<'file' | 'line'>('file')
const scaleSegment = ref<{ key: string; mm: number } | null>(null)
const trueLength = ref(0)
watch(
  () => tray.drawing,
  (d) => (scaleWay.value = d?.scaleFrom === 'guess' ? 'line' : 'file'),
)
const segments = computed(() =>
  (tray.drawing?.shapes ?? [])
    .flatMap((s) =>
      s.path
        .filter((x) => distance(x.from, x.to) > 5)
        .slice(0, 400)
        .map((x, i) => ({ key: `${s.index}:${i}`, d: toPathData([x]), mm: distance(x.from, x.to) })),
    )
    .slice(0, 3000),
)
const times = computed(() =>
  scaleWay.value === 'line' && scaleSegment.value && trueLength.value > 0 ? trueLength.value / scaleSegment.value.mm : 1,
)
const canConfirm = computed(() => scaleWay.value === 'file' || (scaleSegment.value !== null && trueLength.value > 0))
const scaleWords = computed(
  () =>
    ({
      mm: 'millimetres',
      cm: 'centimetres',
      in: 'inches',
      pt: 'points',
      guess: 'nothing that says how large (pixels are taken as 96 to the inch)',
    })[tray.drawing?.scaleFrom ?? 'guess'],
)

const piece = computed(() => tray.state.pieces.find((p) => p.draft.id === tray.chosenId) ?? tray.state.pieces[0] ?? null)
const id = computed(() => piece.value?.draft.id ?? '')
watch(id, () => {
  edge.value = 0
  mode.value = 'edges'
})
const chosenEdge = computed(() => piece.value?.draft.edges[edge.value] ?? piece.value?.draft.edges[0] ?? null)
const readyCount = computed(() => tray.state.pieces.filter((p) => p.taken && tray.waiting(p) === null).length)

function onPlace(at: Point) {
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
  void tray.editDraft(p.draft.id, {
    grain: {
      from: { x: middle.x - along.x * half, y: middle.y - along.y * half },
      to: { x: middle.x + along.x * half, y: middle.y + along.y * half },
    },
  })
}
const allAllowances = (mm: number) => tray.editDraft(id.value, { edges: piece.value!.draft.edges.map((e) => ({ ...e, allowanceMm: mm })) })

async function finish() {
  const done = await tray.finish()
  if (!done.ok) {
    toast.error(done.sentence)
    return
  }
  await wardrobe.create(done.project)
  toast.success(
    `“${done.project.name}” hangs in the wardrobe: ${done.project.garment.pieces.length} pieces, ${done.project.garment.seams.length} seams.`,
  )
  await router.push(`/garment/${done.project.id}/reshape`)
}
</script>

<template>
  <div class="flex h-full flex-col">
    <div class="flex flex-wrap items-center gap-3 border-b border-edge bg-panel px-4 py-2">
      <NuxtLink to="/" class="btn-quiet"><ArrowLeft class="size-5" />Wardrobe</NuxtLink>
      <h1 class="font-display text-2xl italic">New from file</h1>
      <span v-if="tray.state.fileName" class="text-soft">{{ tray.state.fileName }}</span>
      <div v-if="tray.state.scaleConfirmed" class="ml-auto flex flex-wrap gap-2">
        <button class="btn" data-test="tray-clear" @click="tray.clear()"><Trash2 class="size-4" />Empty the tray</button>
        <button v-if="step === 'seams'" class="btn" data-test="to-pieces" @click="step = 'pieces'">Back to the pieces</button>
        <button v-if="step === 'pieces'" class="btn-act" :disabled="readyCount === 0" data-test="to-seams" @click="step = 'seams'">
          Next: seams
        </button>
        <button v-else class="btn-act" data-test="finish-import" :disabled="readyCount === 0" @click="finish">
          Hang it in the wardrobe
        </button>
      </div>
    </div>
    <input ref="input" type="file" accept=".svg,image/svg+xml" class="hidden" aria-label="SVG file" data-test="svg-file" @change="onPick" />

    <div
      v-if="!tray.drawing && tray.ready && !tray.state.scaleConfirmed"
      class="grid flex-1 place-items-center p-6"
      @dragover.prevent
      @drop.prevent="take($event.dataTransfer?.files[0])"
    >
      <div class="panel max-w-xl p-8 text-center">
        <FileUp class="mx-auto size-10 text-act" aria-hidden="true" />
        <h2 class="mt-3 font-display text-2xl">Drop an SVG file of your pieces here</h2>
        <p class="mt-2 text-soft">
          From any drawing program, several pieces in one file. You confirm the scale, name pieces and edges, and the seams are proposed.
        </p>
        <button class="btn-act mt-5" data-test="choose-file" @click="input?.click()">Choose a file</button>
        <p v-if="refused" class="mt-5 rounded-lg bg-fault-pale p-3 text-left text-fault" role="alert" data-test="refused">{{ refused }}</p>
      </div>
    </div>

    <div v-else-if="tray.drawing && !tray.state.scaleConfirmed" class="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_23rem]">
      <div class="min-h-0 bg-water p-6">
        <svg
          v-if="box"
          :viewBox="`${box.minX - 20} ${box.minY - 20} ${box.maxX - box.minX + 40} ${box.maxY - box.minY + 40}`"
          class="h-full w-full"
          aria-label="The drawing in the file"
          role="group"
        >
          <path
            v-for="s in tray.drawing.shapes"
            :key="s.index"
            :d="toPathData(s.path, s.closed)"
            :fill="s.closed ? 'var(--land)' : 'none'"
            stroke="var(--ink)"
            stroke-width="1.4"
            vector-effect="non-scaling-stroke"
          />
          <template v-if="scaleWay === 'line'">
            <path
              v-for="s in segments"
              :key="s.key"
              :d="s.d"
              fill="none"
              :stroke="scaleSegment?.key === s.key ? 'var(--note)' : 'transparent'"
              stroke-width="12"
              vector-effect="non-scaling-stroke"
              class="cursor-pointer"
              :data-test="`scale-line-${s.key}`"
              @click="scaleSegment = { key: s.key, mm: s.mm }"
            />
          </template>
        </svg>
      </div>
      <aside class="space-y-4 overflow-y-auto border-l border-edge bg-panel p-5" aria-label="Scale">
        <h2 class="font-display text-xl italic">How large is it?</h2>
        <p>
          The file says {{ scaleWords }}. By that the drawing is
          <span class="font-semibold"
            ><LengthText v-if="box" :mm="box.maxX - box.minX" /> wide and <LengthText v-if="box" :mm="box.maxY - box.minY" /> high</span
          >.
        </p>
        <label class="flex min-h-11 items-center gap-2.5"
          ><input v-model="scaleWay" type="radio" value="file" class="size-5 accent-(--act)" data-test="scale-file" />That is right</label
        >
        <label class="flex min-h-11 items-center gap-2.5"
          ><input v-model="scaleWay" type="radio" value="line" class="size-5 accent-(--act)" data-test="scale-line" />I know how long one
          line is</label
        >
        <div v-if="scaleWay === 'line'" class="space-y-3 rounded-lg bg-act-pale p-3">
          <p>{{ scaleSegment ? 'The marked line, end to end, is' : 'Click a line in the drawing, from corner to corner.' }}</p>
          <FieldsLengthField v-if="scaleSegment" v-model="trueLength" label="its true length" test="true-length" positive />
          <p v-if="scaleSegment && trueLength > 0" class="text-sm">
            The drawing is then <LengthText v-if="box" :mm="(box.maxX - box.minX) * times" /> wide.
          </p>
        </div>
        <button class="btn-act w-full" :disabled="!canConfirm" data-test="confirm-scale" @click="tray.confirmScale(times)">
          Find the pieces
        </button>
        <button class="btn w-full" @click="tray.clear()">Choose another file</button>
      </aside>
    </div>

    <div v-else-if="step === 'pieces' && piece" class="grid min-h-0 flex-1 grid-cols-[15rem_minmax(0,1fr)_22rem]">
      <nav class="min-h-0 overflow-y-auto border-r border-edge bg-panel p-3" aria-label="Tray">
        <p class="mb-2 px-1 text-sm text-soft" data-test="tray-count">{{ tray.state.pieces.length }} outlines, {{ readyCount }} ready</p>
        <ul class="space-y-1">
          <li v-for="p in tray.state.pieces" :key="p.draft.id">
            <button
              class="flex min-h-12 w-full items-center gap-2 rounded-lg px-2 text-left hover:bg-act-pale"
              :class="piece.draft.id === p.draft.id && 'bg-act-pale'"
              :aria-current="piece.draft.id === p.draft.id"
              :data-test="`tray-${p.draft.id}`"
              @click="tray.chosenId = p.draft.id"
            >
              <CircleCheck v-if="tray.waiting(p) === null" class="size-5 shrink-0 text-good" aria-hidden="true" /><CircleAlert
                v-else
                class="size-5 shrink-0 text-ease"
                aria-hidden="true"
              />
              <span class="min-w-0"
                ><span class="block truncate font-semibold leading-tight">{{ p.draft.name }}</span
                ><span class="block text-sm text-soft">{{ tray.waiting(p) ?? 'ready' }}</span></span
              >
            </button>
          </li>
        </ul>
      </nav>
      <div class="relative min-h-0">
        <TrayPicture :piece="piece" :edge="edge" :mode="mode" @edge="edge = $event" @place="onPlace" />
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
        <p v-if="piece.trouble" class="rounded-lg bg-fault-pale p-3 text-fault" role="alert">
          {{
            piece.trouble.code === 'open'
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
            @change="tray.editDraft(id, { name: ($event.target as HTMLInputElement).value.trim().slice(0, 120) || piece!.draft.name })"
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
                tray.editDraft(id, { count: Math.min(99, Math.max(1, Math.round(Number(($event.target as HTMLInputElement).value)) || 1)) })
              "
          /></label>
          <label class="flex min-h-11 items-end gap-2 pb-2.5"
            ><input
              type="checkbox"
              class="size-5 accent-(--act)"
              :checked="piece.draft.mirrored"
              @change="tray.editDraft(id, { mirrored: ($event.target as HTMLInputElement).checked })"
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
              @change="tray.editEdge(id, edge, { fold: ($event.target as HTMLInputElement).checked })"
            />lies on the fold</label
          >
          <FieldsLengthField
            v-if="!chosenEdge.fold"
            :model-value="chosenEdge.allowanceMm"
            label="its seam allowance"
            test="edge-allowance"
            positive
            @update:model-value="tray.editEdge(id, edge, { allowanceMm: $event })"
          />
          <button class="btn mt-2" @click="tray.joinEdges(id, edge)">Join with the next edge</button>
        </fieldset>
        <fieldset class="space-y-2">
          <legend class="font-semibold">Seam allowance</legend>
          <label class="flex min-h-11 items-center gap-2"
            ><input
              type="checkbox"
              class="size-5 accent-(--act)"
              :checked="piece.draft.allowanceIncluded"
              data-test="allowance-included"
              @change="tray.editDraft(id, { allowanceIncluded: ($event.target as HTMLInputElement).checked })"
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
            @change="tray.edit(id, (p) => ({ ...p, taken: !p.taken }))"
          />leave this outline out</label
        >
      </aside>
    </div>

    <div v-else-if="step === 'seams'" class="min-h-0 flex-1 overflow-y-auto p-6">
      <div class="mx-auto max-w-3xl space-y-6">
        <div class="grid gap-4 sm:grid-cols-2">
          <label class="block"
            ><span class="mb-1 block font-semibold">What is the garment called?</span
            ><input
              class="field"
              :value="tray.state.garmentName"
              data-test="garment-title"
              @change="tray.save({ ...tray.state, garmentName: ($event.target as HTMLInputElement).value.slice(0, 120) })"
          /></label>
          <label class="block"
            ><span class="mb-1 block font-semibold">Who is it for?</span>
            <select
              class="field"
              :value="tray.state.wearerId ?? ''"
              @change="tray.save({ ...tray.state, wearerId: ($event.target as HTMLSelectElement).value || null })"
            >
              <option value="">no wearer yet</option>
              <option v-for="w in wardrobe.wearers" :key="w.id" :value="w.id">{{ w.name }}</option>
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
                    tray.save({
                      ...tray.state,
                      leftOutSeams: tray.state.leftOutSeams.includes(s.id)
                        ? tray.state.leftOutSeams.filter((x) => x !== s.id)
                        : [...tray.state.leftOutSeams, s.id],
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
                  ><LengthText :mm="seamLengths(tray.whole, s)[0]" fine bare /> and <LengthText :mm="seamLengths(tray.whole, s)[1]" fine
                /></span>
              </label>
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
    </div>
    <p v-if="refused && tray.drawing" class="bg-fault-pale p-3 text-fault" role="alert">{{ refused }}</p>
    <div v-if="tray.state.scaleConfirmed && !piece" class="grid flex-1 place-items-center">
      <div class="panel max-w-md p-6 text-center">
        <p>No outline in this file is large enough to be a pattern piece. Is the scale right?</p>
        <button class="btn mt-3" @click="tray.clear()">Choose another file</button>
      </div>
    </div>
  </div>
</template>
