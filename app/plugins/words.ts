/** `$say` in every template, in the kitchen's own English. */
import { say, speakIn } from '~/words/say'

export default defineNuxtPlugin((nuxt) => {
  nuxt.vueApp.config.globalProperties.$say = say
  const kitchen = useKitchenStore()
  watch(() => kitchen.record?.settings?.vocabulary, v => speakIn(v === 'us' ? 'en-US' : 'en-GB'), { immediate: true })
})

declare module 'vue' {
  interface ComponentCustomProperties {
    $say: typeof say
  }
}
