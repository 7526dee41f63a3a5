import type { Editor } from '@tiptap/core'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { useMap } from '@/stores/map'
import { useTitles } from '@/stores/titles'
import { titleMarkdown } from './titleMarkdown'

/** The title editor that is open, wherever it is: what it holds, and how to leave it. */
export const useTyping = defineStore('typing', () => {
    const map = useMap()
    const titles = useTitles()
    const editor = shallowRef<Editor | null>(null)
    let reader: (() => string) | null = null

    function hold(read: () => string, its: Editor): void {
        reader = read
        editor.value = its
    }

    function letGo(read: () => string): void {
        if (reader === read) {
            reader = null
            editor.value = null
        }
    }

    function finish(): void {
        titles.end(reader?.() ?? null)
    }

    /** Keeps what the title holds by now, and goes on. */
    function keepSoFar(): void {
        const typing = map.editing
        const title = reader?.() ?? ''
        if (typing !== null && title !== '' && title !== map.tree.topics.get(typing.id)?.title) {
            map.retitle(typing, title)
        }
    }

    function cancel(): void {
        titles.end(null)
    }

    /** What stands before the caret and what after it; null where there is no caret. */
    function halves(): { first: string; second: string } | null {
        if (editor.value === null) {
            return null
        }
        const { doc, selection } = editor.value.state
        return { first: titleMarkdown(doc.cut(0, selection.from)), second: titleMarkdown(doc.cut(selection.to)) }
    }

    /** Ends this title and goes straight on to the next. */
    function then(next: (id: string) => void): void {
        const id = map.editing?.id
        const title = reader?.() ?? ''
        if (id === undefined) {
            return
        }
        if (title === '' && map.editing?.fresh === true) {
            finish()
        } else {
            finish()
            next(id)
        }
    }

    const isEmptyAndNew = (): boolean => map.editing?.fresh === true && (reader?.() ?? '') === ''

    /** One level deeper: an empty new topic moves below the one before it; a filled one is finished and gets a subtopic. */
    function deeper(): void {
        const id = map.editing?.id
        if (id !== undefined && isEmptyAndNew()) {
            titles.shiftIn(id)
        } else {
            then((done) => titles.addChild(done))
        }
    }

    /** One level higher: an empty new topic moves out beside its parent; a filled one is finished, and the next is made there. */
    function higher(): void {
        const id = map.editing?.id
        if (id === undefined) {
            return
        }
        if (isEmptyAndNew()) {
            titles.shiftOut(id)
        } else if (titles.canShiftOut(id)) {
            then((done) => titles.addSibling(map.tree.topics.get(done)?.parent ?? map.tree.root))
        }
    }

    return { editor, hold, letGo, halves, finish, keepSoFar, cancel, then, deeper, higher }
})
