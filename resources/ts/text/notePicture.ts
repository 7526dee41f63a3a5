import { Node } from '@tiptap/core'
import { sourceAddress } from '@/api/client'
import { useMap } from '@/stores/map'

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
        return ({ node }) => {
            const [source, about] = [String(node.attrs.src), String(node.attrs.alt)]
            if (/^file:[0-9a-f]{64}$/.test(source)) {
                const dom = document.createElement('img')
                dom.className = 'note-picture'
                dom.src = sourceAddress(useMap().id, source, 'large')
                dom.alt = about
                return { dom }
            }
            const dom = document.createElement('span')
            dom.className = 'note-picture elsewhere'
            dom.textContent = about === '' ? 'A picture elsewhere' : `A picture elsewhere: ${about}`
            dom.title = source
            return { dom }
        }
    },
})
