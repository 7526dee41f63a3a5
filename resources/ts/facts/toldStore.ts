import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { FactsAnswer } from '@/api/wire'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'

/** Whoever goes over many topics does not wait for what is told of each. */
const RESTS = 150

/** What the server reckons of the one topic that is chosen: computed fields, what is below it, what is found of it. Asked for when the map rests. */
export const useTold = defineStore('told', () => {
    const map = useMap()
    const beside = useBeside()
    const told = shallowRef<FactsAnswer | null>(null)
    const asking = latest()
    /** Whether there is anything to reckon at all: numbers, to-dos, words. */
    const isReckoned = computed(() => [...beside.tree.rows.values()].some(({ type, fields }) => type === 'field' || type === 'task' || (type === 'kind' && fields.todo === true)) || [...beside.tree.topics.values()].some(({ note }) => note !== ''))
    watch([() => beside.current, () => map.seq, () => map.savedState, () => beside.chosen.length, isReckoned], ([topic, , state, count, wanted], before) => {
        if (topic === null || count !== 1 || !wanted || !map.mayEdit) {
            asking.drop()
            told.value = null
        } else if (state === 'saved') {
            const isWanted = asking.begin()
            setTimeout(async () => {
                // What is shown beside the board may lag behind what is there, and behind what the server has.
                const answer = isWanted() && map.tree.topics.has(topic) && map.savedState === 'saved' ? await api.facts(map.id, topic).catch(() => null) : null
                if (isWanted()) {
                    told.value = answer
                }
            }, told.value === null || before[0] === topic ? 0 : RESTS)
        }
    }, { immediate: true })
    return { told }
})
