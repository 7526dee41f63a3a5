import { defineStore } from 'pinia'
import { useMap, newId } from './map'

/** Texts of a topic that are typed in a field and kept as one types. */
export type DraftField = 'note' | 'caption'

interface Draft {
    topic: string
    field: DraftField
    text: string
    /** The text over which it is written, as whoever writes sees it. */
    was: string
    step: string
    begun: number
    timer: ReturnType<typeof setTimeout>
}

/** Milliseconds without a key after which a text is kept, and the longest that one typed without a pause waits. */
const PAUSE = 500
const LONGEST = 3000

/**
 * What has been typed in fields and is not an edit yet. There is one draft a topic and field, with a pause of its own;
 * whatever ends the typing (leaving the field, the topic, the map or the page) makes an edit of it at once.
 */
export const useDrafts = defineStore('drafts', () => {
    const map = useMap()
    const drafts = new Map<string, Draft>()
    const keyOf = (topic: string, field: DraftField): string => `${field} ${topic}`

    /**
     * @param step groups the edits of one stretch of typing, so that they are undone as one
     * @param was over what it is written, where that is not what the map says now
     */
    function type(topic: string, field: DraftField, text: string, step = newId(), was = map.tree.topics.get(topic)?.[field] ?? ''): void {
        const key = keyOf(topic, field)
        const before = drafts.get(key)
        clearTimeout(before?.timer)
        const begun = before?.begun ?? performance.now()
        const rest = Math.max(0, Math.min(PAUSE, begun + LONGEST - performance.now()))
        drafts.set(key, { topic, field, text, was: before?.was ?? was, step, begun, timer: setTimeout(() => flush(topic, field), rest) })
    }

    function has(topic: string, field: DraftField): boolean {
        return drafts.has(keyOf(topic, field))
    }

    /** Makes an edit of one draft. */
    function flush(topic: string, field: DraftField): void {
        const key = keyOf(topic, field)
        const draft = drafts.get(key)
        if (draft === undefined) {
            return
        }
        clearTimeout(draft.timer)
        drafts.delete(key)
        const there = map.tree.topics.get(topic)
        if (there === undefined || there[field] === draft.text) {
            return
        }
        const { step, was, text } = draft
        map.edit(field === 'note' ? { name: 'topic.note', step, topics: [topic], note: text, was } : { name: 'topic.caption', step, topics: [topic], caption: text, was })
    }

    function flushAll(): void {
        for (const { topic, field } of [...drafts.values()]) {
            flush(topic, field)
        }
    }

    map.beforeLeaving(flushAll)
    map.beforeHiding(flushAll)

    return { type, has, flush, flushAll }
})
