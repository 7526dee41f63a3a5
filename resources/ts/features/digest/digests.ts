import { shallowRef } from 'vue'
import { api } from '@/api/client'
import type { Edit } from '@/api/wire'
import type { Context } from '@/actions/registry'
import { leadTo } from '@/board/leadTo'
import { router } from '@/router'
import { newId, useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { useUi } from '@/ui/uiStore'

/** The digest into whose list the focus is wanted. */
export const asked = shallowRef<string | null>(null)
/** The line from which one went, and how many marks there were to come back to then: whoever comes back is put on it. */
export const left = shallowRef<{ digest: string; line: string; marks: number } | null>(null)

/** What is told of each line where nobody has said. */
export const TELLS = 'who by'

/** Shows the desk, and puts the focus into the list of a digest there. */
export function goInto({ ui, preferences }: Pick<Context, 'ui' | 'preferences'>, digest: string): void {
    preferences.deskOpen = true
    ui.side = null
    ui.phoneView = 'desk'
    asked.value = digest
}

/** Goes where a line of a digest leads, in this map or another, with a mark to come back by. */
export function goTo(digest: string, line: { map: string; topic: string }): void {
    const map = useMap()
    const preferences = usePreferences()
    if (line.map === '' && !map.tree.topics.has(line.topic)) {
        return
    }
    preferences.leaveMark(map.id, digest, line.topic)
    left.value = { digest, line: line.topic, marks: preferences.trail.length }
    if (line.map !== '') {
        void router.push(`/maps/${line.map}/topics/${line.topic}`)
    } else {
        leadTo(line.topic, 'board')
        useUi().focusRegion(map.region)
    }
}

/**
 * Adds a topic that gathers others. Where the map is narrowed, it gathers those to which it is; else whoever makes it says
 * which.
 */
export async function makeDigest({ map, ui, preferences }: Pick<Context, 'map' | 'ui' | 'preferences'>): Promise<void> {
    const step = newId()
    const topic = newId()
    const parent = map.current ?? map.tree.root
    const words = map.filter?.text ?? ''
    const when = words === '' ? null : ((await api.filter(map.id, { text: words, scope: null }).catch(() => null))?.when ?? null)
    map.edit(
        { name: 'topic.add', step, parent, topic: { id: topic, title: when === null ? 'Gathered' : words } } as Edit,
        { name: 'row.set', step, type: 'digest', topics: [topic], fields: { tells: TELLS, ...(when === null ? {} : { when }) } } as Edit,
    )
    map.choose(topic)
    goInto({ ui, preferences }, topic)
}
