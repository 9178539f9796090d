<script setup lang="ts">
import { sayDone, sayFault } from '~/messages'
import { stationAt } from '~/stations'
import { ArrowLeft, FileUp, LoaderCircle, Trash2 } from 'lucide-vue-next'
import { computed, ref } from 'vue'
import { isPicture } from '~~/core/import'
import { problemSentence } from '~~/core/result'
import { useTray } from '~/stores/tray'

const tray = useTray()
const countOf = (n: number, what: string) => `${n} ${what}${n === 1 ? '' : 's'}`
const router = useRouter()
const refused = ref<string | null>(null)
/** What is being done that one waits for, in words, and how it is stopped. */
const busy = computed(() => {
  const { taking, stopReading } = tray.photographs
  if (taking !== null) return { words: `Taking in ${taking}`, stop: stopReading }
  return tray.busy === null ? null : { words: tray.busy, stop: tray.stop }
})
const step = ref<'pieces' | 'seams'>('pieces')

/** Files over this are not even read into memory, bytes. */
const MAX_FILE = 60_000_000

async function take(file: File | undefined) {
  if (!file) return
  refused.value = null
  if (/\.json$/i.test(file.name)) {
    refused.value = `${file.name} looks like a project file: open it with “Restore” in the wardrobe. Nothing was changed here.`
    return
  }
  if (file.size > MAX_FILE) {
    refused.value = `${file.name} has ${Math.round(file.size / 1e6)} MB; up to ${MAX_FILE / 1e6} MB are read. Take pictures and hidden parts out of it and save it again; nothing was changed here.`
    return
  }
  const bytes = await file.arrayBuffer().catch(() => null)
  if (bytes === null) {
    refused.value = `${file.name} cannot be read from the disk: it was moved or changed meanwhile. Choose it again.`
    return
  }
  // A picture is told by what is in it, and not by its name.
  if (isPicture(new Uint8Array(bytes.slice(0, 1024)))) return takePhoto(file)
  const problem = await tray.takeFile(file.name, new Uint8Array(bytes))
  if (problem) refused.value = `${file.name}, ${problemSentence(problem)}`
}

async function takePhoto(file: File) {
  const problem = await tray.photographs.takePhoto(file)
  if (problem) refused.value = problemSentence(problem)
  if (problem && tray.photographs.photos.length > 0) sayFault(problemSentence(problem))
}

/** The demo's own photograph, for somebody who has none at hand. */
async function takeExample() {
  const got = await fetch('/demo-photographs/paper-front.jpg').catch(() => null)
  if (got?.ok) await takePhoto(new File([await got.blob()], 'bodice-front.jpg', { type: 'image/jpeg' }))
  else refused.value = 'The photograph is not here: it needs the server. Nothing was changed.'
}

async function finish() {
  const done = await tray.finish()
  if (!done.ok) {
    sayFault(done.sentence)
    return
  }
  sayDone(
    `“${done.row.name}” hangs in the wardrobe: ${countOf(done.row.garment.pieces.length, 'piece')}, ${countOf(done.row.garment.seams.length, 'seam')}.`,
  )
  await router.push(stationAt(done.row.id, null, 'reshape'))
}
</script>

<template>
  <div class="flex h-full flex-col">
    <div class="flex flex-wrap items-center gap-3 border-b border-edge bg-panel px-4 py-2">
      <NuxtLink to="/" class="btn-quiet"><ArrowLeft class="size-5" />Wardrobe</NuxtLink>
      <h1 class="font-display text-2xl italic">New from file</h1>
      <span v-if="tray.state.fileName" class="text-soft">{{ tray.state.fileName }}</span>
      <button
        v-if="tray.photographs.photos.length > 0 && !tray.state.scaleConfirmed"
        class="btn ml-auto"
        data-test="tray-clear"
        @click="tray.clear()"
      >
        <Trash2 class="size-4" />Empty the tray
      </button>
      <div v-if="tray.state.scaleConfirmed" class="ml-auto flex flex-wrap gap-2">
        <button class="btn" data-test="tray-clear" @click="tray.clear()"><Trash2 class="size-4" />Empty the tray</button>
        <button v-if="step === 'seams'" class="btn" data-test="to-pieces" @click="step = 'pieces'">Back to the pieces</button>
        <button v-if="step === 'pieces'" class="btn-act" :disabled="tray.readyCount === 0" data-test="to-seams" @click="step = 'seams'">
          Next: seams
        </button>
        <button v-else class="btn-act" data-test="finish-import" :disabled="tray.readyCount === 0" @click="finish">
          Hang it in the wardrobe
        </button>
      </div>
    </div>
    <div v-if="busy" class="grid flex-1 place-items-center p-6" role="status" data-test="tray-busy">
      <div class="panel max-w-md p-6 text-center">
        <LoaderCircle class="mx-auto size-8 animate-spin text-act motion-reduce:animate-none" aria-hidden="true" />
        <p class="mt-3">{{ busy.words }} …</p>
        <button class="btn mt-4" data-test="tray-stop" @click="busy.stop()">Stop</button>
      </div>
    </div>
    <TrayPhotoStep v-else-if="tray.photographs.photos.length > 0 && !tray.state.text" @add="takePhoto" />
    <TrayPagesStep v-else-if="tray.grid && tray.pages.length > 0 && !tray.state.pagesConfirmed" />
    <div
      v-else-if="!tray.drawing && tray.ready && !tray.state.scaleConfirmed"
      class="grid flex-1 place-items-center p-6"
      @dragover.prevent
      @drop.prevent="take($event.dataTransfer?.files[0])"
    >
      <div class="panel max-w-xl p-8 text-center">
        <FileUp class="mx-auto size-10 text-act" aria-hidden="true" />
        <h2 class="mt-3 font-display text-2xl">Drop a file of your pieces here</h2>
        <p class="mt-2 text-soft">
          SVG, PDF or DXF, with several pieces in one file; the pages of a PDF are put together. Or a photograph of paper pieces beside a
          sheet of paper. You confirm the scale, look at what was read, name what is missing, and the seams are proposed.
        </p>
        <div class="mt-5">
          <UiFileButton act accept=".svg,.pdf,.dxf,image/*,application/pdf,image/vnd.dxf" label="Pattern file" test="pattern" @file="take"
            >Choose a file</UiFileButton
          >
          <button class="btn ml-2" data-test="try-photograph" @click="takeExample">Try a photograph</button>
        </div>
        <p v-if="refused" class="mt-5 rounded-lg bg-fault-pale p-3 text-left text-fault" role="alert" data-test="refused">{{ refused }}</p>
      </div>
    </div>

    <TrayScaleStep v-else-if="tray.drawing && !tray.state.scaleConfirmed" />
    <TrayPiecesStep v-else-if="tray.state.pieces.length > 0 && step === 'pieces'" />
    <TraySeamsStep v-else-if="tray.state.pieces.length > 0" />
    <p v-if="refused && tray.drawing" class="bg-fault-pale p-3 text-fault" role="alert">{{ refused }}</p>
    <div v-if="tray.state.scaleConfirmed && tray.state.pieces.length === 0" class="grid flex-1 place-items-center">
      <div class="panel max-w-md p-6 text-center">
        <p>No outline in this file is large enough to be a pattern piece. Is the scale right?</p>
        <button class="btn mt-3" @click="tray.clear()">Choose another file</button>
      </div>
    </div>
  </div>
</template>
