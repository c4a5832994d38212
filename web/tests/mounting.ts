// A component in the app's surroundings: router, Vuetify, queries that fail at once.
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { mount, type ComponentMountingOptions } from '@vue/test-utils'
import type { Component } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { vuetify } from '@/shared/theme'

const VIEWS = [
  'review',
  'squat',
  'deadlift',
  'watch',
  'prescribe',
  'lifter',
  'log',
  'floor',
  'card',
  'measure',
  'gym',
]

export const router = createRouter({
  history: createMemoryHistory(),
  routes: ['/', '/shapes/:shapeId?', ...VIEWS.map((name) => `/lifters/:lifterId/${name}`)].map((path) => ({
    path,
    name: path.replace('/:shapeId?', '').split('/').at(-1)!,
    component: { template: '<p />' },
  })),
})

export function mounted<C extends Component>(
  component: C,
  props: Record<string, unknown>,
  options: ComponentMountingOptions<C> = {},
) {
  const queryClient = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  return mount(component, {
    ...options,
    props,
    attachTo: document.body,
    global: { plugins: [router, vuetify, [VueQueryPlugin, { queryClient }]] },
  } as never)
}
