import { InputRule, Mark } from '@tiptap/core'

declare module '@tiptap/core' {
    interface Commands<ReturnType> {
        link: { setLink: (attributes: { href: string; title?: string | null }) => ReturnType }
    }
}

/** Where a link may lead from the page; whatever else a text says is kept as it says and leads nowhere. */
const leads = (href: unknown): string | null => (typeof href === 'string' && /^(https?:|mailto:|tel:|[/#])/i.test(href) ? href : null)

/**
 * A link in a title or a note. An address that is typed becomes one with the space behind it. A mark of our own, because
 * the usual one brings an index of all domains with it, which would be a tenth of what a title needs.
 */
export const LinkMark = Mark.create({
    name: 'link',
    priority: 1000,
    keepOnSplit: false,
    inclusive: false,
    exitable: true,
    addAttributes: () => ({ href: { default: null }, title: { default: null } }),
    parseHTML: () => [{ tag: 'a[href]', getAttrs: (element) => leads(element.getAttribute('href')) !== null && null }],
    renderHTML: ({ mark }) => ['a', { href: leads(mark.attrs.href), title: mark.attrs.title, target: '_blank', rel: 'noopener noreferrer nofollow' }, 0],
    addCommands() {
        return { setLink: (attributes) => ({ commands }) => commands.setMark('link', attributes) }
    },
    addInputRules() {
        return [new InputRule({
            find: /(?:^|\s)(https?:\/\/[^\s<>]*[^\s<>.,;:!?)\]}'"])[.,;:!?)\]}'"]?\s$/i,
            handler: ({ state, range, match }) => {
                const address = match[1] ?? ''
                const begin = range.from + match[0].indexOf(address)
                state.tr.addMark(begin, begin + address.length, this.type.create({ href: address })).removeStoredMark(this.type).insertText(' ')
            },
        })]
    },
})
