import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { ancestorsOf, type Tree } from './tree'

/** What the map is narrowed to. */
export interface Narrowed {
    readonly words: string
    /** The topics that do not stand back. */
    readonly ids: ReadonlySet<string>
    /** Where others are not shown at all: those that are left in the outline, and whether each stands below the next that is left. */
    readonly left?: ReadonlySet<string>
    readonly isFlat?: boolean
    /** The topics that whoever says it knew of; what is made since, or is on its way, neither stands back nor is hidden. */
    readonly known?: ReadonlyMap<string, unknown>
    /** Whether only what is in view was asked yet. */
    readonly isOfView?: boolean
    /** Whether somebody else says that the map is narrowed, and ends it. */
    readonly isTold?: boolean
}

/** What the map is narrowed to: all other topics stand back, or are not shown. Whoever narrows it says what is left. */
export const useNarrowing = defineStore('narrowing', () => {
    const to = shallowRef<Narrowed | null>(null)

    /** The same, without what was asked only of what is in view. */
    const whole = shallowRef<Narrowed | null>(null)
    watch(to, (now) => now?.isOfView === true || (whole.value = now), { flush: 'sync' })

    const backIn = (now: Narrowed | null) => (id: string): boolean => now !== null && !now.ids.has(id) && now.known?.has(id) !== false
    /** Whether a topic stands back, as it is now: to be asked of thousands. */
    const back = computed(() => backIn(to.value))
    /** Whether one of those stands back that are too small to be told apart; they follow when all are asked. */
    const backFromAfar = computed(() => backIn(whole.value))
    const isBack = (id: string): boolean => back.value(id)
    /** Whether nothing but what is left is shown. */
    const hides = (): boolean => to.value?.left !== undefined
    /** Whether a topic is left, as it is now: to be asked of thousands, which a store's own functions are too slow for. */
    const left = computed(() => {
        const now = to.value
        return (id: string): boolean => now?.left === undefined || now.left.has(id) || now.known?.has(id) === false
    })
    /** How deep a topic stands among those that are left. */
    function depthOf(tree: Tree, id: string): number {
        const above = ancestorsOf(tree, id)
        return to.value?.isFlat === true ? above.filter(left.value).length : above.length
    }

    return { to, back, backFromAfar, isBack, hides, left, depthOf }
})
