import { createVuetify } from 'vuetify'

/** Vuetify lends its menus, dialogs and tables; the look is bench.css, so its own is switched off here. */
export default defineNuxtPlugin(({ vueApp }) => {
  vueApp.use(createVuetify({
    theme: { defaultTheme: 'light' },
    defaults: {
      global: { ripple: false, elevation: 0, rounded: 0 },
      VMenu: { transition: false, offset: 6 },
      VDialog: { transition: false, maxWidth: 560 }
    }
  }))
})
