import { onBeforeUnmount } from 'vue'
import { leavePlace } from '@/api/client'
import type { Place } from '@/api/wire'
import { useMap } from '@/stores/map'

/** Milliseconds after the last movement. */
const PAUSE = 2000

/** Keeps where the board is left, so that the map opens there again. */
export function usePlace() {
    const map = useMap()
    let waiting: { map: string; place: Place } | null = null
    let timer: ReturnType<typeof setTimeout> | undefined

    function keep(place: Place): void {
        const known = map.place
        const isThere = known !== null && Math.abs(known.x - place.x) < 1 && Math.abs(known.y - place.y) < 1 && Math.abs(known.scale - place.scale) < 0.001
        if (map.id !== '' && place.scale > 0 && !isThere) {
            map.place = place
            waiting = { map: map.id, place }
            clearTimeout(timer)
            timer = setTimeout(flush, PAUSE)
        }
    }

    function flush(): void {
        clearTimeout(timer)
        if (waiting !== null) {
            leavePlace(waiting.map, waiting.place)
        }
        waiting = null
    }

    document.addEventListener('visibilitychange', flush)
    onBeforeUnmount(() => {
        document.removeEventListener('visibilitychange', flush)
        flush()
    })

    return { keep }
}
