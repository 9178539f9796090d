import { mount, RouterLinkStub, type ComponentMountingOptions } from '@vue/test-utils'
import { createPinia, setActivePinia, type Pinia } from 'pinia'
import type { Component } from 'vue'

const files = import.meta.glob<{ default: Component }>(['./{ui,fields}/*.vue'], { eager: true })

/** What the framework calls a component by itself: its folder and its name, the folder’s words not twice. */
const nameOf = (path: string): string => {
  const [folder, name] = path.replace('./', '').replace('.vue', '').split('/') as [string, string]
  const own = folder[0]!.toUpperCase() + folder.slice(1)
  return name.startsWith(own) ? name : `${own}${name}`
}
const components = Object.fromEntries(Object.entries(files).map(([path, file]) => [nameOf(path), file.default]))

/** Fresh stores, for a test that sets some of them before anything is mounted. */
export function newStores(): Pinia {
  const pinia = createPinia()
  setActivePinia(pinia)
  return pinia
}

/** Mounts a component as a page does: with the small kit of controls, the fields, and stores. */
export function mountOnPage<C extends Component>(component: C, options: ComponentMountingOptions<C> = {}, pinia = newStores()) {
  return mount(component, {
    attachTo: document.body,
    ...options,
    global: {
      ...options.global,
      plugins: [pinia],
      components: { ...components, NuxtLink: RouterLinkStub, ...options.global?.components },
    },
  } as ComponentMountingOptions<C>)
}

/** What stands on a thing that a test finds by its name. */
export const byTest = (name: string): string => `[data-test="${name}"]`
