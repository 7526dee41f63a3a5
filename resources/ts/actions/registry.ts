import type { Router } from 'vue-router'
import type { useCamera } from '@/board/cameraStore'
import type { usePaste } from '@/paste/pasteStore'
import type { useMap } from '@/stores/map'
import type { usePreferences } from '@/stores/preferences'
import type { useTitles } from '@/stores/titles'
import type { useTyping } from '@/text/typing'
import type { useUi } from '@/ui/uiStore'
import type { useWalk } from '@/show/walkStore'

/** Where keys are pressed: on the board, in the outline, on a mark that is chosen, in a title, in another field, in a walk, while slides are shown, in the strip of slides, in a table, in the text of a draft, or in the library. */
export type Scope = 'board' | 'outline' | 'mark' | 'typing' | 'field' | 'walk' | 'show' | 'strip' | 'table' | 'draft' | 'library'

export type Group = 'Topics' | 'Choosing' | 'Moving' | 'Shape' | 'Look' | 'Signs' | 'Pictures' | 'Cross-links' | 'Tracking' | 'Typing' | 'Clipboard' | 'Finding' | 'Table' | 'Draft' | 'Seeing' | 'Map' | 'Hand over' | 'Show' | 'Walk' | 'Help'

/** What actions act on. */
export interface Context {
    map: ReturnType<typeof useMap>
    titles: ReturnType<typeof useTitles>
    typing: ReturnType<typeof useTyping>
    camera: ReturnType<typeof useCamera>
    preferences: ReturnType<typeof usePreferences>
    ui: ReturnType<typeof useUi>
    paste: ReturnType<typeof usePaste>
    walk: ReturnType<typeof useWalk>
    router: Router
    scope: Scope
}

/**
 * Something a person can do, by name. This one list feeds the palette, the page of keys, the menus and the buttons;
 * no key is bound anywhere else.
 */
export interface Action {
    /** Never changes, so that keys and tests can refer to it. */
    id: string
    name: string
    /** What it does, in one sentence; those of the application itself stand in sentences.ts. */
    what?: string
    group: Group
    /** Such as "Shift+Enter", "Mod+Z" (Mod is Ctrl, on a Mac ⌘), "Alt+ArrowUp". The first is the one shown. */
    keys: readonly string[]
    scopes: readonly Scope[]
    /** On a mark: the sort of row that the mark stands for. Marks of different sorts may share a key, as only one sort is chosen at a time. */
    mark?: string
    /** The browser does it by itself and tells the page; the registry only lists the key. */
    native?: boolean
    /** It opens a field within this, a selector: what is typed at once, before it is there, is kept for it. */
    opens?: string
    /** Whether it makes sense now; where it does not, it is not offered. */
    available?: (context: Context) => boolean
    run: (context: Context) => void
}
