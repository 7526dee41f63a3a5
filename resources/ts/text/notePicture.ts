import { Node } from '@tiptap/core'
import { sourceAddress } from '@/api/client'
import { useMap } from '@/stores/map'

/** How a picture in a note is shown. */
export function pictureElement(source: string, about: string): HTMLElement {
    if (/^file:[0-9a-f]{64}$/.test(source)) {
        const picture = document.createElement('img')
        picture.className = 'note-picture'
        picture.src = sourceAddress(useMap().id, source, 'large')
        picture.alt = about
        return picture
    }
    const told = document.createElement('span')
    told.className = 'note-picture elsewhere'
    told.textContent = about === '' ? 'A picture elsewhere' : `A picture elsewhere: ${about}`
    told.title = source
    return told
}

/** A picture in a note: one of the map's, named by what is in it. One that lies elsewhere is told of, and not fetched. */
export const NotePicture = Node.create({
    name: 'image',
    group: 'inline',
    inline: true,
    atom: true,
    draggable: true,
    addAttributes: () => ({ src: { default: '' }, alt: { default: '' }, title: { default: null } }),
    parseHTML: () => [{ tag: 'img[src^="file:"]' }],
    renderHTML: ({ node }) => ['img', { src: String(node.attrs.src), alt: String(node.attrs.alt) }],
    renderText: ({ node }) => String(node.attrs.alt),
    addNodeView() {
        return ({ node }) => ({ dom: pictureElement(String(node.attrs.src), String(node.attrs.alt)) })
    },
})
