import './shared/layers.css'
import '@fontsource-variable/archivo/index.css'
import 'vuetify/styles'
import './shared/styles.css'
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import App from './App.vue'
import { ProblemError } from './shared/api'
import { router } from './router'
import { vuetify } from './shared/theme'

const queries = new QueryClient({
  defaultOptions: {
    mutations: { networkMode: 'always' },
    queries: {
      staleTime: 15_000,
      networkMode: 'always',
      retry: (count, error) => !(error instanceof ProblemError) && count < 2,
    },
  },
})

createApp(App).use(router).use(vuetify).use(VueQueryPlugin, { queryClient: queries }).mount('#app')
