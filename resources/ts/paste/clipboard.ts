import { api } from '@/api/client'
import type { Draft } from '@/api/wire'
import { newId } from '@/api/ids'
import { tell } from '@/ui/tell'

/** The type under which branches are on the clipboard with everything that is in them. */
const OWN = 'application/x-chalk-tree'

/** Where branches stand with what is private in them, for other windows of this browser; what is on the clipboard names them by a mark that says nothing. */
const WHOLE = 'chalk-tree-copied'
let whole: { mark: string; topics: Draft[] } | null = null

/** What a paste brings. */
export interface Pasted {
    own: Draft[] | null
    text: string
    html: string
    source: string | null
}

/**
 * Puts branches on the clipboard as text, Markdown and HTML at once, so that they land well anywhere, and with all
 * that is in them for maps of ours. The forms come from the server, so this needs the answer first.
 */
export async function copyTopics(map: string, topics: string[], alone: boolean): Promise<boolean> {
    try {
        const answer = await api.copy(map, topics, alone)
        const mark = answer.leaving === null ? null : keepWhole(answer.topics)
        const put = (event: ClipboardEvent): void => {
            event.preventDefault()
            event.stopImmediatePropagation()
            event.clipboardData?.setData('text/plain', answer.text)
            event.clipboardData?.setData('text/html', mark === null ? answer.html : answer.html.replace('<ul ', `<ul data-whole="${mark}" `))
            event.clipboardData?.setData('text/markdown', answer.markdown)
            event.clipboardData?.setData(OWN, JSON.stringify(answer.leaving ?? answer.topics))
        }
        window.addEventListener('copy', put, { capture: true, once: true })
        const copied = document.execCommand('copy')
        window.removeEventListener('copy', put, { capture: true })
        if (!copied) {
            await navigator.clipboard.writeText(answer.text)
        }
        const left = answer.leaving === null ? '' : ' What is private goes along only within Chalk Tree.'
        tell.info((topics.length === 1 ? 'Copied, as text, Markdown and HTML.' : `Copied ${topics.length} topics, as text, Markdown and HTML.`) + left)
        return true
    } catch (error) {
        tell.error(`Not copied: ${(error as Error).message}`)
        return false
    }
}

/** @returns the mark by which they are found again */
function keepWhole(topics: Draft[]): string {
    whole = { mark: newId(), topics }
    try {
        localStorage.setItem(WHOLE, JSON.stringify(whole))
    } catch {
        // Too much for the browser to keep: then they go along within this window.
    }
    return whole.mark
}

function keptWhole(html: string): Draft[] | null {
    const mark = /<ul data-whole="([0-9a-z]+)"/.exec(html)?.[1]
    const there = mark === undefined || whole?.mark === mark ? whole : (JSON.parse(localStorage.getItem(WHOLE) ?? 'null') as typeof whole)
    return mark !== undefined && there?.mark === mark ? there.topics : null
}

export function pastedBy(data: DataTransfer): Pasted {
    const html = data.getData('text/html')
    const address = data.getData('text/x-moz-url') || data.getData('text/uri-list')
    return { own: ownDrafts(data.getData(OWN), html), text: data.getData('text/plain'), html, source: address.split('\n')[0]?.trim() || null }
}

/** Where our own type did not survive, the same stands in the HTML. */
function ownDrafts(own: string, html: string): Draft[] | null {
    try {
        const all = keptWhole(html)
        if (all !== null) {
            return all
        }
        const kept = /<ul[^>]* data-chalk-tree="([A-Za-z0-9+/=]+)"/.exec(html)?.[1]
        const json = own !== '' ? own : kept === undefined ? '' : new TextDecoder().decode(Uint8Array.from(atob(kept), (sign) => sign.charCodeAt(0)))
        const drafts: unknown = json === '' ? null : JSON.parse(json)
        return Array.isArray(drafts) && drafts.length > 0 ? (drafts as Draft[]) : null
    } catch {
        return null
    }
}
