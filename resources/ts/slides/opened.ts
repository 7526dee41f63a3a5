import type { Opening } from './deck'
import { make } from './secondWindow'

/** What is seen of something that is opened over a slide. */
export function openedIn(owner: Document, opening: Opening, address: string): HTMLElement {
    if (opening.sort === 'film' || opening.sort === 'sound') {
        const media = make(owner, opening.sort === 'film' ? 'video' : 'audio', '')
        media.controls = true
        media.autoplay = true
        media.src = address
        return media
    }
    if (opening.sort === 'picture') {
        const picture = make(owner, 'img', '')
        picture.src = address
        picture.alt = opening.title
        return picture
    }
    // Pages of others do little here; those that do not let themselves be shown inside others leave what lies below to be read.
    const page = make(owner, 'div', 'page')
    page.append(make(owner, 'p', '', 'If nothing is seen here, the page does not let itself be shown inside others. Open it in a window of its own.'))
    const frame = make(owner, 'iframe', '')
    frame.title = opening.title
    frame.setAttribute('sandbox', 'allow-scripts allow-popups')
    frame.referrerPolicy = 'no-referrer'
    frame.src = address
    page.append(frame)
    return page
}
