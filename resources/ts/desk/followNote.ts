import { useOuts } from '@/features/link/outStore'

/** With Ctrl held a link in a note is followed: to topics here, to pages in a window of their own. Says whether it was clicked so. */
export function followNote(event: MouseEvent, before: () => void): boolean {
    const href = event.target instanceof Element && (event.ctrlKey || event.metaKey) ? event.target.closest('a')?.getAttribute('href') : null
    const there = href == null ? null : /^\/maps\/([0-9a-z]{26})(?:\/topics\/([0-9a-z]{26}))?$/.exec(href)
    if (there !== null) {
        before()
        useOuts().visit(there[1] ?? '', there[2] ?? null)
    } else if (href != null && /^https?:\/\//i.test(href)) {
        window.open(href, '_blank', 'noopener,noreferrer')
    }
    return href != null
}
