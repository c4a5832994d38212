/// <reference types="vite/client" />
declare module '@fontsource-variable/archivo/wdth.css'
declare module 'vuetify/styles'
