import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { notLoaded } from '@/ui/tell'

/** What leads a walk; it comes when one begins. */
export interface WalkWay {
    /** Goes to a topic. */
    go(topic: string): void
    /** Does what an action of a walk is for, by the last part of its id. */
    does(what: string): void
    can(what: string): boolean
    end(): void
}

/** Whether somebody walks through the map, and what the board has to know of it. */
export const useWalk = defineStore('walk', () => {
    const at = ref<string | null>(null)
    /** What of the map is not there at all: what is private, and what one does not want to be seen. */
    const away = shallowRef<((topic: string) => boolean) | null>(null)
    /** Whether what is drawn between topics may be seen: not before what is private is off the board, nor beside a topic alone. */
    const isBare = ref(false)
    /** How much of the rest is left, from 0 to 1. */
    const rest = ref(0.5)
    const way = shallowRef<WalkWay | null>(null)

    function begin(topic: string | null): void {
        void import('./walkWay').then(({ useWalkWay }) => useWalkWay().begin(topic)).catch(notLoaded)
    }

    return {
        at, away, isBare, rest, way, begin,
        go: (topic: string): void => way.value?.go(topic),
        does: (what: string): void => way.value?.does(what),
        can: (what: string): boolean => way.value?.can(what) === true,
        end: (): void => way.value?.end(),
    }
})
