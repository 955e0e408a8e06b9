import { defineNuxtPlugin } from '#app'

/** Lets the interface library's own style element through the page's content security policy. */
export default defineNuxtPlugin({
  name: 'style-nonce',
  enforce: 'pre',
  setup(nuxtApp) {
    const nonce = document.querySelector<HTMLElement>('script[nonce]')?.nonce
    nuxtApp.hook('vuetify:before-create', ({ vuetifyOptions }) => {
      if (nonce) vuetifyOptions.theme = { ...(vuetifyOptions.theme || {}), cspNonce: nonce }
    })
  },
})
