<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Check, ChevronDown, Trash2, UserPlus } from 'lucide-vue-next'
import { computed, ref } from 'vue'
import type { Project } from '~~/core/formats'
import { say } from '~/messages'
import { fitTitle } from '~/fit-title'
import { stationAt } from '~/stations'
import { useWardrobe } from '~/stores/wardrobe'
import { useWearers } from '~/stores/wearers'
import { useWork } from '~/stores/work'

/** Which fit of the garment is open, and the others: another one is chosen or begun here. */
const props = defineProps<{ project: Project }>()
const work = useWork()
const wardrobe = useWardrobe()
const wearers = useWearers()
const router = useRouter()
const beginning = ref(false)
const title = computed(() => fitTitle({ wearerId: props.project.wearerId, name: props.project.fitName }, wearers.all))
const show = (fitId: string | null) => router.push(stationAt(props.project.garmentId, fitId, 'reshape'))

async function remove() {
  const words = title.value
  const stored = await wardrobe.removeFit(props.project.name, props.project)
  if (!stored.ok) return
  await show(null)
  say(`Deleted the fit ${words}.`, { label: 'Undo', run: () => void wardrobe.undo() })
}
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton
      class="-ml-1.5 flex max-w-full items-center gap-1 rounded-md px-1.5 text-sm leading-tight text-soft hover:bg-act-pale"
      :aria-label="`Fit: ${title}. Choose or begin another`"
      data-test="fit-menu"
    >
      <span class="truncate">{{ title }}</span><ChevronDown class="size-4 shrink-0" aria-hidden="true" />
    </MenuButton>
    <MenuItems
      class="absolute left-0 top-full z-30 mt-1 w-72 max-w-[calc(100vw-2rem)] rounded-lg border border-edge bg-panel p-1 shadow-lg"
      aria-label="Fits of this garment"
    >
      <MenuItem v-for="f in work.fits" :key="f.id" v-slot="{ active }">
        <button
          class="btn-quiet w-full justify-start text-left"
          :class="active && 'bg-act-pale'"
          :aria-current="f.id === project.id ? 'true' : undefined"
          data-test="choose-fit"
          @click="show(f.id)"
        >
          <Check class="size-4 shrink-0" :class="f.id !== project.id && 'invisible'" aria-hidden="true" />
          <span class="min-w-0"
            ><span class="block truncate">{{ fitTitle(f, wearers.all) }}</span>
            <span class="block text-sm font-normal text-soft">{{
              f.plan.length === 0 ? 'nothing changed yet' : `${f.plan.length} ${f.plan.length === 1 ? 'stop' : 'stops'}`
            }}</span></span
          >
        </button>
      </MenuItem>
      <div class="my-1 border-t border-edge" role="separator" />
      <MenuItem v-slot="{ active }">
        <button class="btn-quiet w-full justify-start" :class="active && 'bg-act-pale'" data-test="begin-fit" @click="beginning = true">
          <UserPlus class="size-4 shrink-0" aria-hidden="true" />Begin another fit
        </button>
      </MenuItem>
      <MenuItem v-if="work.fits.length > 1" v-slot="{ active }">
        <button class="btn-quiet w-full justify-start" :class="active && 'bg-act-pale'" data-test="delete-fit" @click="remove">
          <Trash2 class="size-4 shrink-0" aria-hidden="true" />Delete this fit
        </button>
      </MenuItem>
    </MenuItems>
    <ShellNewFit v-if="beginning" :garment-id="project.garmentId" @close="beginning = false" @begun="show" />
  </Menu>
</template>
