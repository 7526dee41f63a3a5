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

    return { editor, hold, letGo, halves, finish, cancel, then }
})
