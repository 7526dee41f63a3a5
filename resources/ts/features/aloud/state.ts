import { ref } from 'vue'

/** Whether something is being read aloud; what reads comes with it. */
export const isReadingOpen = ref(false)
