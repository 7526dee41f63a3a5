import { shallowRef } from 'vue'

/** What is done with old notes: texts are brought in, or passages lifted out, below or from a topic; null while neither is. */
export const mining = shallowRef<{ does: 'bring' | 'lift'; topic: string } | null>(null)
