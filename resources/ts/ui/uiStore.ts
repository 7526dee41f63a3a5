import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { ChangeId } from '@/actions/changes'
import { usePreferences, type OwnWay } from '@/stores/preferences'

/** Dialogs, and panels that stand where the desk does and stay while a dialog is open. */
export type Panel = 'palette' | 'keys' | 'calm' | 'change' | 'move'
export type Side = 'find' | 'lot' | 'removed' | 'files' | 'walk' | 'kinds' | 'todos' | 'rules' | 'meant' | 'hand' | 'share' | 'comments' | 'ideas'
export type PhoneView = 'outline' | 'board' | 'desk' | OwnWay

const REGIONS = ['filter', 'outline', 'board', 'table', 'draft', 'second', 'notice', 'tray', 'desk', 'top']

/** Which dialog is open, which part of a narrow window is seen, and where the focus goes. */
export const useUi = defineStore('ui', () => {
    const preferences = usePreferences()
    const panel = ref<Panel | null>(null)
    /** The page of the tray that is turned to. */
    const trayPage = ref('Chalks')
    const phoneView = ref<PhoneView>('outline')
    const side = ref<Side | null>(null)
    const change = ref<ChangeId>('sort')
    /** The topic below which something was moved by name last. */
    const movedTo = ref('')
    /** While a menu is open, or a new key is asked for, the keys are theirs. */
    const holdsKeys = ref(false)
    /** While slides are shown, the window and the keys are theirs. */
    const isShowing = ref(false)
    const findIn = ref<'branch' | 'map' | 'all'>('map')
    /** Whether the note of the chosen topic is open large, over the map. */
    const isNoteLarge = ref(false)
    /** Whether the field that finds in the note is there. */
    const isFindingInNote = ref(false)
    const wantedField = shallowRef<{ field: 'caption' | 'note' } | null>(null)

    function show(which: Panel): void {
        panel.value = which
    }

    function showSide(which: Side): void {
        side.value = which
    }

    function toggleSide(which: Side): void {
        side.value = side.value === which ? null : which
    }

    function showChange(which: ChangeId): void {
        change.value = which
        panel.value = 'change'
    }

    function showFind(where: 'branch' | 'map' | 'all'): void {
        findIn.value = where
        side.value = 'find'
    }

    function focusDesk(field: 'caption' | 'note'): void {
        preferences.deskOpen = true
        phoneView.value = 'desk'
        wantedField.value = { field }
    }

    /** Opens a page of the tray, and puts the focus on the first thing of it, which may still be on its way. */
    function turnToTray(page: string | null = null, tries = 20): void {
        preferences.trayOpen = true
        trayPage.value = page ?? trayPage.value
        setTimeout(() => {
            const first = document.querySelector<HTMLElement>(`.tray .page[data-page="${trayPage.value}"] :is(input, button)`)
            first?.focus()
            if (first instanceof HTMLInputElement) {
                first.select()
            }
            if (first === null && tries > 0) {
                turnToTray(page, tries - 1)
            }
        }, 50)
    }

    function focusRegion(region: string): boolean {
        const frame = document.querySelector<HTMLElement>(`[data-focus=${region}]`)
        // Whoever types a title there by now is there already; what comes late ends no typing.
        if (document.activeElement?.closest('.title-editor') != null && frame?.contains(document.activeElement) === true) {
            return true
        }
        const target = frame?.matches('[tabindex]') === true ? frame : frame?.querySelector<HTMLElement>('[tabindex="0"], button, input, [contenteditable]')
        target?.focus({ preventScroll: true })
        if (target instanceof HTMLIFrameElement) {
            target.contentWindow?.focus()
            target.contentDocument?.querySelector<HTMLElement>('[data-focus=board]')?.focus({ preventScroll: true })
        }
        return target != null
    }

    function focusNextRegion(): void {
        const frame = window.frameElement?.closest<HTMLElement>('[data-focus]')
        if (frame != null) {
            // From the second view on to what comes after it in the first.
            window.parent.focus()
            frame.ownerDocument.querySelector<HTMLElement>('[data-focus=outline]')?.focus({ preventScroll: true })
            return
        }
        const at = document.activeElement?.closest<HTMLElement>('[data-focus]')?.dataset.focus ?? ''
        for (let n = 1; n <= REGIONS.length; n++) {
            const next = REGIONS[(REGIONS.indexOf(at) + n) % REGIONS.length]
            if (next !== undefined && focusRegion(next)) {
                return
            }
        }
    }

    function download(address: string): void {
        const link = document.createElement('a')
        link.href = address
        link.download = ''
        link.click()
    }

    return { holdsKeys, isShowing, panel, trayPage, turnToTray, side, movedTo, change, findIn, phoneView, isNoteLarge, isFindingInNote, wantedField, show, showSide, toggleSide, showChange, showFind, focusDesk, focusRegion, focusNextRegion, download }
})
