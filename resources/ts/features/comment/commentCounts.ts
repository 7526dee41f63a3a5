import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { useMap } from '@/stores/map'

/** How many open threads topics have; what is said in them comes once anything ever was. */
export const useCommentCounts = defineStore('comment-counts', () => {
    const map = useMap()
    const counts = shallowRef<ReadonlyMap<string, number>>(new Map())
    const open = computed(() => [...counts.value.values()].reduce((sum, one) => sum + one, 0))
    watch([() => map.id, () => map.talk], ([id, talk]) => {
        if (id !== '' && talk > 0) {
            void import('./commentStore').then(({ useComments }) => useComments()).catch(() => undefined)
        }
    }, { immediate: true })
    return { counts, open }
})
