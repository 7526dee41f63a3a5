import { InputRule, Node } from '@tiptap/core'

/** Draws a formula as MathML, which browsers know; what cannot be read stands there as it was written. */
async function draw(tex: string, isBlock: boolean, into: HTMLElement): Promise<void> {
    const { default: temml } = await import('temml')
    try {
        temml.render(tex, into, { displayMode: isBlock, throwOnError: true, trust: false, maxExpand: 300, maxSize: [20, 200] })
        into.classList.remove('wrong')
    } catch (error) {
        into.textContent = tex
        into.classList.add('wrong')
        into.title = (error as Error).message
    }
}

/** How a formula in a note is shown. */
export function formulaElement(tex: string, isBlock: boolean): HTMLElement {
    const formula = document.createElement('span')
    formula.className = 'formula'
    formula.setAttribute('role', 'img')
    formula.setAttribute('aria-label', `Formula ${tex}`)
    void draw(tex, isBlock, formula)
    return formula
}

/** A formula in TeX, between dollar signs: "$a^2$", and between two where it stands by itself. A click opens it for typing. */
export const Formula = Node.create({
    name: 'formula',
    group: 'inline',
    inline: true,
    atom: true,
    addAttributes: () => ({ tex: { default: '', rendered: false }, block: { default: false, rendered: false } }),
    parseHTML: () => [{ tag: 'span[data-tex]', getAttrs: (element) => ({ tex: element.dataset.tex ?? '', block: element.dataset.block === 'true' }) }],
    renderHTML: ({ node }) => ['span', { 'data-tex': String(node.attrs.tex), 'data-block': String(node.attrs.block) }],
    renderText: ({ node }) => formulaText(String(node.attrs.tex), node.attrs.block === true),
    addInputRules() {
        return [new InputRule({
            find: /(?:^|[^\\$])\$([^\s$](?:[^$]*[^\s$\\])?)\$$/,
            handler: ({ range, match, chain }) => {
                const [all = '', tex = ''] = match
                chain().insertContentAt({ from: range.from + all.indexOf('$'), to: range.to }, { type: this.name, attrs: { tex, block: false } }).run()
            },
        })]
    },
    addNodeView() {
        return ({ node, editor, getPos }) => {
            const dom = formulaElement(String(node.attrs.tex), node.attrs.block === true)
            dom.addEventListener('click', (event) => {
                event.stopPropagation()
                const at = getPos()
                if (at !== undefined) {
                    // It becomes what was typed, and a formula again with the closing sign.
                    const text = formulaText(String(node.attrs.tex), node.attrs.block === true).slice(0, node.attrs.block === true ? -2 : -1)
                    editor.chain().insertContentAt({ from: at, to: at + node.nodeSize }, { type: 'text', text }).focus(at + text.length).run()
                }
            })
            return { dom }
        }
    },
})

/** A formula as it stands in Markdown. */
export const formulaText = (tex: string, isBlock: boolean): string => (isBlock ? `$$${tex}$$` : `$${tex}$`)
