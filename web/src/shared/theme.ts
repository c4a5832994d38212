import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'

const light = {
  dark: false,
  colors: {
    background: '#f6f4ee',
    surface: '#fffdf8',
    primary: '#23272b',
    secondary: '#5f6469',
    signal: '#c93e17',
    holds: '#1d7a70',
    error: '#b3340f',
    'on-background': '#23272b',
    'on-surface': '#23272b',
  },
}

const dark = {
  dark: true,
  colors: {
    background: '#15181b',
    surface: '#1c2024',
    primary: '#ece8df',
    secondary: '#a9a69d',
    signal: '#ff6a3d',
    holds: '#54c0b1',
    error: '#ff8a63',
    'on-background': '#ece8df',
    'on-surface': '#ece8df',
  },
}

export const vuetify = createVuetify({
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  theme: {
    defaultTheme: 'paper',
    themes: { paper: light, platform: dark },
  },
  defaults: {
    global: { ripple: false },
    VBtn: { variant: 'outlined', rounded: 'sm', height: 40 },
    VTextField: { variant: 'outlined', density: 'compact', hideDetails: 'auto', color: 'primary' },
    VTextarea: { variant: 'outlined', density: 'compact', hideDetails: 'auto', rows: 2 },
    VSelect: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
    VDialog: { maxWidth: 560 },
    VCard: { flat: true, rounded: 'sm' },
  },
})
