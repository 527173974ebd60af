import { createVuetify } from 'vuetify'
import { bench } from '~/theme/blueprint'

/** Vuetify carries every control; its look is `theme/blueprint.ts` and `theme/controls.css`. */
export default defineNuxtPlugin(({ vueApp }) => {
  // The policy's nonce is only known to a server; in the page it stands on the entry script.
  const cspNonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce
  vueApp.use(createVuetify({ blueprint: bench, theme: { cspNonce } }))
})
