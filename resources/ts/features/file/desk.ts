import { usePreferences } from '@/stores/preferences'
import { useUi } from '@/ui/uiStore'

/** Opens the desk where files are, with the focus on the first of what is looked for, which may still be on its way. */
export function toFilesAtDesk(selector: string, tries = 20): void {
    const preferences = usePreferences()
    preferences.deskOpen = true
    preferences.deskFolded = preferences.deskFolded.filter((name) => name !== 'Files')
    useUi().phoneView = 'desk'
    const found = document.querySelector<HTMLElement>(`[data-focus=desk] ${selector}`)
    if (found !== null) {
        found.focus()
    } else if (tries > 0) {
        setTimeout(() => toFilesAtDesk(selector, tries - 1), 50)
    }
}
