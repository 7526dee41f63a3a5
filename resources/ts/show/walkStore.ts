import { defineStore } from 'pinia'
import { computed, nextTick, ref, shallowRef } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { useMap } from '@/stores/map'
import { heldIn, withoutHeld } from '@/stores/privacy'
import { ancestorsOf, branchOf, childrenOf, siblingOf } from '@/stores/tree'
import { tell } from '@/ui/tell'

/** A walk through the map: where it is, the ways on from there, and the zoom the speaker chose. */
export const useWalk = defineStore('walk', () => {
    const map = useMap()
    const camera = useCamera()
    const at = ref<string | null>(null)
    const from = ref('')
    const trail = shallowRef<readonly string[]>([])
    const zoom = ref<number | null>(null)
    const listOpen = ref(false)

    /** Whether what is private is off the board; until then it is hidden there, and so is what is drawn between topics. */
    const isApart = ref(true)

    /** What of the map is shown. */
    const tree = computed(() => withoutHeld(map.tree))
    /** All topics of the walk in order. */
    const stops = computed(() => (at.value === null || !tree.value.topics.has(from.value) ? [] : branchOf(tree.value, from.value)))
    const next = computed(() => stops.value[stops.value.indexOf(at.value ?? '') + 1] ?? null)
    const deeper = computed(() => (at.value === null ? null : (childrenOf(tree.value, at.value)[0] ?? null)))

    /** Past all that is below: the next sibling, or that of the nearest topic above that has one. */
    const skip = computed(() => {
        const here = at.value
        if (here === null || here === from.value) {
            return null
        }
        for (const one of [here, ...ancestorsOf(tree.value, here)]) {
            const sibling = siblingOf(tree.value, one, 1)
            if (one === from.value) {
                return null
            }
            if (sibling !== undefined) {
                return sibling
            }
        }
        return null
    })

    function begin(topic: string): void {
        if (heldIn(map.tree).has(topic)) {
            tell.warning('This is private, so it is not shown. Choose another topic to walk from.')
            return
        }
        from.value = topic
        trail.value = []
        zoom.value = null
        at.value = topic
        map.region = 'board'
        if (heldIn(map.tree).size > 0) {
            isApart.value = false
            map.setShowing(true)
            map.afterAnswer(() => {
                isApart.value = true
                void nextTick(look)
            })
        }
        // Full screen where the browser allows it; the walk fills the window either way.
        document.documentElement.requestFullscreen?.().catch(() => undefined)
        look()
    }

    function go(topic: string | null): void {
        if (topic !== null && at.value !== null) {
            trail.value = [...trail.value, at.value]
            at.value = topic
            look()
        }
    }

    function back(): void {
        const last = trail.value[trail.value.length - 1]
        if (last !== undefined) {
            trail.value = trail.value.slice(0, -1)
            at.value = last
            look()
        }
    }

    /** The zoom that a speaker sets stays until it is set again. */
    function setZoom(scale: number): void {
        zoom.value = Math.min(4, Math.max(0.2, scale))
        look()
    }

    function look(): void {
        const topic = at.value
        if (topic === null) {
            return
        }
        map.uncover(topic, 'board')
        map.choose(topic)
        void nextTick(() => camera.centre(topic, zoom.value ?? 1.6))
    }

    /** Ends where it stands: the topic stays chosen and in view. */
    function end(): void {
        at.value = null
        listOpen.value = false
        if (map.showing) {
            map.setShowing(false)
        }
        if (document.fullscreenElement !== null) {
            void document.exitFullscreen().catch(() => undefined)
        }
        void nextTick(() => {
            if (map.current !== null) {
                camera.reveal(map.current)
            }
        })
    }

    return { at, isApart, tree, from, trail, zoom, listOpen, stops, next, deeper, skip, begin, go, back, setZoom, look, end }
})
