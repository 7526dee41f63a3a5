import { useStorage } from '@vueuse/core'
import { ref } from 'vue'

/** Whether something is being read aloud; what reads comes with it. */
export const isReadingOpen = ref(false)
/** Whether the names of tools are said. */
export const saysNames = useStorage('chalk-tool-names', false)
