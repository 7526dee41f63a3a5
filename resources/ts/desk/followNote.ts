import { useOuts } from '@/features/link/outStore'
import { topicAt } from '@/text/usedIn'

/**
 * With Ctrl held a link in a note is followed: to topics here, to pages in a window of their own. Says whether it was clicked so.
 *
 * @param see shows a topic beside the text, where one would not leave that
 */
export function followNote(event: MouseEvent, before: () => void, see?: (there: { map: string; topic: string }) => void): boolean {
    const href = event.target instanceof Element && (event.ctrlKey || event.metaKey) ? event.target.closest('a')?.getAttribute('href') : null
    const there = href == null ? null : /^\/maps\/([0-9a-z]{26})(?:\/topics\/([0-9a-z]{26}))?$/.exec(href)
    const topic = topicAt(href)
    if (topic !== null && see !== undefined) {
        before()
        see(topic)
    } else if (there !== null) {
        before()
        useOuts().visit(there[1] ?? '', there[2] ?? null)
    } else if (href != null && /^https?:\/\//i.test(href)) {
        window.open(href, '_blank', 'noopener,noreferrer')
    }
    return href != null
}
