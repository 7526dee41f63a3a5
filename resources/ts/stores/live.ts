import { useDebounceFn, useDocumentVisibility } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, watch } from 'vue'
import { leaveHere, pane, sayWhere } from '@/api/client'
import type { LiveMessage, MapNews } from '@/api/wire'
import { useMap } from './map'

/** Milliseconds after which one begins to listen again, and the longest. */
const FIRST_WAIT = 300
const LONGEST_WAIT = 20_000
/** Milliseconds that a choice rests before others are told of it. */
const RESTS = 120

/**
 * Listens to what is new in the map that is open, while it is shared and seen. What a stream tells goes on from a number
 * and holds for one view; whatever does not fit is asked for instead. Nothing is taken while something of one's own is
 * on its way, so that answers and news never overtake each other.
 */
export const useLive = defineStore('live', () => {
    const map = useMap()
    const visibility = useDocumentVisibility()
    const isWanted = computed(() => map.id !== '' && map.isShared && map.ended === null && visibility.value === 'visible')
    const sorted = (ids: ReadonlySet<string>): string[] => [...ids].sort((a, b) => (a < b ? -1 : 1))
    /** In which view, and with which rights, it is listened to. */
    const view = computed(() => JSON.stringify([map.id, map.role, map.today, sorted(map.folded), map.scope, map.showing, map.filter]))
    let source: EventSource | null = null
    let held: MapNews[] = []
    let wait = FIRST_WAIT
    let timer: ReturnType<typeof setTimeout> | undefined
    let turn = 0

    function stop(): void {
        turn++
        clearTimeout(timer)
        source?.close()
        source = null
        held = []
        map.listens = false
    }

    function begin(): void {
        stop()
        if (!isWanted.value) {
            return
        }
        const its = turn
        // The server knows the view by then.
        map.afterAnswer(() => its === turn && open())
    }

    function open(): void {
        const its = new EventSource(`/api/maps/${map.id}/stream?pane=${pane}`)
        source = its
        its.onopen = () => {
            wait = FIRST_WAIT
            map.listens = true
            // What came between the answer before and now is told to nobody else.
            map.askForNews(true)
        }
        its.onmessage = ({ data }: MessageEvent<string>) => source === its && hear(JSON.parse(data) as LiveMessage)
        its.onerror = () => {
            if (source === its) {
                // It may have ended because one may no longer, or may do something else.
                const was = map.listens
                stop()
                timer = setTimeout(begin, wait)
                wait = Math.min(wait * 2, LONGEST_WAIT)
                if (was) {
                    map.askForNews(true)
                }
            }
        }
    }

    function hear(message: LiveMessage): void {
        if ('news' in message) {
            held.push(message.news)
            take()
        } else if ('asks' in message) {
            if (message.asks > map.seq) {
                map.askForNews(true)
            }
        } else {
            map.takeOthers(message.others)
            map.talk = message.talk ?? map.talk
        }
    }

    function take(): void {
        while (held.length > 0 && map.isResting()) {
            const [news] = held.splice(0, 1)
            if (news === undefined || news.seq <= map.seq) {
                continue
            }
            if (news.since === map.seq) {
                map.takeNews(news)
            } else {
                held = []
                map.askForNews(true)
            }
        }
    }
    map.whenResting.add(take)

    watch([isWanted, view], begin, { immediate: true })
    watch(() => (isWanted.value ? map.id : ''), (_now, before) => before !== '' && leaveHere(before))
    const tellWhere = useDebounceFn(() => {
        if (map.listens) {
            sayWhere(map.id, map.current, map.editing !== null ? 'title' : map.caret === null ? null : 'note', map.editing === null ? map.caret : null)
        }
    }, RESTS)
    watch([() => map.current, () => map.editing !== null, () => map.caret], () => void tellWhere())
    window.addEventListener('pagehide', () => isWanted.value && leaveHere(map.id))

    return {}
})
