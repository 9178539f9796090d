<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import type { Component } from 'vue'

/** One thing that can be chosen in a menu. */
export interface MenuAct {
  test: string
  words: string
  icon: Component
  run: () => void
}

/** A small button that opens a list of acts. What stands on the button is slotted in. */
defineProps<{ label: string; test: string; acts: readonly MenuAct[]; disabled?: boolean; button?: string; list?: string }>()
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton :class="button" :aria-label="label" :data-test="test"><slot /></MenuButton>
    <MenuItems class="absolute right-0 z-20 rounded-lg border border-edge bg-panel p-1 shadow-lg" :class="list">
      <MenuItem v-for="act in acts" :key="act.test" v-slot="{ active }" :disabled="disabled">
        <button
          class="btn-quiet w-full justify-start"
          :class="active && 'bg-act-pale'"
          :disabled="disabled"
          :data-test="act.test"
          @click="act.run"
        >
          <component :is="act.icon" class="size-4" />{{ act.words }}
        </button>
      </MenuItem>
    </MenuItems>
  </Menu>
</template>
