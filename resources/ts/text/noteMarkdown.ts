import MarkdownIt from 'markdown-it'
import { defaultMarkdownSerializer, MarkdownParser, MarkdownSerializer, type ParseSpec } from 'prosemirror-markdown'
import type { Mark, Node, Schema } from '@tiptap/pm/model'
import { formulaText } from './noteFormula'
import { readTags, tellBreaks } from './inlineTokens'
import { markSpecs } from './titleMarkdown'

const blocks = new MarkdownIt('commonmark', { html: true }).enable(['strikethrough', 'table']).disable('html_block')
// Pictures of the map are named by what is in them; no such address leads to a file of a machine.
const isAddress = blocks.validateLink.bind(blocks)
blocks.validateLink = (address) => isAddress(address) || /^file:[0-9a-f]{64}$/.test(address)
readTags(blocks)
tellBreaks(blocks)

/** A cell of a table holds one paragraph, as the editor has it. */
blocks.core.ruler.push('cells', (state) => {
    state.tokens = state.tokens.flatMap((token) => {
        const isOpen = token.type === 'th_open' || token.type === 'td_open'
        if (!isOpen && token.type !== 'th_close' && token.type !== 'td_close') {
            return [token]
        }
        const paragraph = new state.Token(isOpen ? 'paragraph_open' : 'paragraph_close', 'p', isOpen ? 1 : -1)
        return isOpen ? [token, paragraph] : [paragraph, token]
    })
})

/** "$a^2$" and "$$a^2$$": no space inside of the signs, no digit after the last one, so that prices stay prices. */
blocks.inline.ruler.after('escape', 'formula', (state, silent) => {
    const m = /^(\$\$?)([^\s$](?:[^$]*[^\s$\\])?)\1(?![\d$])/.exec(state.src.slice(state.pos, state.pos + 2000))
    if (m === null) {
        return false
    }
    if (!silent) {
        const token = state.push('formula', 'span', 0)
        token.content = m[2] ?? ''
        token.markup = m[1] ?? '$'
    }
    state.pos += m[0].length
    return true
})

/** Items of a list that begin with "[ ]" or "[x]" make it a list of tasks. */
blocks.core.ruler.push('tasks', (state) => {
    const open: number[] = []
    state.tokens.forEach((token, i) => {
        if (token.type === 'bullet_list_open') {
            open.push(i)
        } else if (token.type === 'bullet_list_close') {
            const begin = open.pop() ?? 0
            const level = (state.tokens[begin]?.level ?? 0) + 1
            const items = state.tokens.map((one, n) => ({ one, n })).slice(begin, i).filter(({ one }) => one.type === 'list_item_open' && one.level === level)
            const texts = items.map(({ n }) => state.tokens[n + 2])
            if (items.length > 0 && texts.every((text) => text?.type === 'inline' && /^\[[ xX]\] /.test(text.content))) {
                items.forEach(({ one }, k) => {
                    const text = texts[k]
                    const first = text?.children?.[0]
                    one.type = 'task_item_open'
                    one.attrSet('checked', /^\[[xX]/.test(text?.content ?? '') ? 'x' : '')
                    if (first !== undefined) {
                        first.content = first.content.replace(/^\[[ xX]\] /, '')
                    }
                })
                state.tokens.slice(begin, i).filter((one) => one.type === 'list_item_close' && one.level === level).forEach((one) => (one.type = 'task_item_close'))
                const [from, to] = [state.tokens[begin], token]
                if (from !== undefined) {
                    from.type = 'task_list_open'
                    to.type = 'task_list_close'
                }
            }
        }
    })
})

const { nodes } = defaultMarkdownSerializer

/** The address in a link as it was written, and its title. */
function linkEnd(mark: Mark): string {
    const href = String(mark.attrs.href)
    const title = typeof mark.attrs.title === 'string' && mark.attrs.title !== '' ? ` "${mark.attrs.title.replaceAll('"', '\\"')}"` : ''
    return /^[^\s<>()]+$/.test(href) ? `](${href}${title})` : `](<${href.replaceAll('<', '%3C').replaceAll('>', '%3E')}>${title})`
}

const serializer = new MarkdownSerializer(
    {
        doc: (state, node) => state.renderContent(node),
        paragraph: nodes.paragraph ?? (() => undefined),
        heading: nodes.heading ?? (() => undefined),
        blockquote: nodes.blockquote ?? (() => undefined),
        codeBlock: (state, node) => {
            const text = node.textContent
            const fence = '`'.repeat(Math.max(3, 1 + Math.max(0, ...(text.match(/`+/g) ?? []).map((run) => run.length))))
            state.write(`${fence}${String(node.attrs.language ?? '')}\n`)
            state.text(text, false)
            state.ensureNewLine()
            state.write(fence)
            state.closeBlock(node)
        },
        horizontalRule: (state, node) => {
            state.write('---')
            state.closeBlock(node)
        },
        bulletList: (state, node) => state.renderList(node, '  ', () => `${String(node.attrs.sign ?? '-')} `),
        orderedList: (state, node) => {
            const start = Number(node.attrs.start ?? 1)
            const width = String(start + node.childCount - 1).length
            state.renderList(node, ' '.repeat(width + 2), (i) => `${start + i}${String(node.attrs.sign ?? '.')} `)
        },
        listItem: (state, node) => state.renderContent(node),
        taskList: (state, node) => state.renderList(node, '  ', (i) => `- [${node.child(i).attrs.checked === true ? 'x' : ' '}] `),
        taskItem: (state, node) => state.renderContent(node),
        formula: (state, node) => state.write(formulaText(String(node.attrs.tex), node.attrs.block === true)),
        table: (state, node) => {
            node.forEach((row, _, n) => {
                const cells: string[] = []
                const signs: string[] = []
                row.forEach((cell) => {
                    cells.push(cellText(cell))
                    signs.push({ left: ':---', right: '---:', center: ':---:' }[String(cell.attrs.align)] ?? '---')
                })
                state.write(`| ${cells.join(' | ')} |`)
                if (n === 0) {
                    state.ensureNewLine()
                    state.write(`| ${signs.join(' | ')} |`)
                }
                if (n < node.childCount - 1) {
                    state.ensureNewLine()
                }
            })
            state.closeBlock(node)
        },
        image: nodes.image ?? (() => undefined),
        hardBreak: (state, node) => state.write(node.attrs.soft === true ? '\n' : node.attrs.sign === '  ' ? '  \n' : '\\\n'),
        text: (state, node) => {
            const parts = (node.text ?? '').split(/\^\[([^[\]\n]+)\](?!\()/)
            for (const [i, part] of parts.entries()) {
                // What stands at the foot of the page keeps its brackets.
                if (i % 2 === 1) {
                    state.text('^[', false)
                    state.text(part)
                    state.text(']', false)
                } else if (part !== '' || parts.length === 1) {
                    state.text(part)
                }
                // What follows begins no line.
                Object.assign(state, { atBlockStart: false })
            }
        },
    },
    { ...markSpecs, link: { ...markSpecs.link, close: (_: unknown, mark: Mark) => linkEnd(mark) } },
    { escapeExtraCharacters: /[<&](?=[a-z/!?#])/gi },
)

/** A cell in one line, without signs that would end it. */
function cellText(cell: Node): string {
    const paragraph = cell.firstChild
    const line = paragraph === null ? '' : serializer.serialize(paragraph.type.schema.topNodeType.create(null, paragraph), { tightLists: true })
    return line.trim().replace(/\\?\n/g, ' ').replace(/(?<!\\)\|/g, '\\|')
}

/** Whether the formatted editor keeps a note to the letter; if not, it is edited as Markdown. */
export function canKeep(schema: Schema, markdown: string): boolean {
    try {
        return noteMarkdown(noteDocument(schema, markdown)) === markdown.trim()
    } catch {
        // Something that the editor has no part for, such as a footnote.
        return false
    }
}

/** How the cells of a column stand. */
const alignOf: NonNullable<ParseSpec['getAttrs']> = (token) => ({ align: /text-align:(\w+)/.exec(token.attrGet('style') ?? '')?.[1] ?? null })

export function noteDocument(schema: Schema, markdown: string): Node {
    const sign = (markup: string, common: string): string | null => (markup === common ? null : markup)
    return new MarkdownParser(schema, blocks, {
        blockquote: { block: 'blockquote' },
        paragraph: { block: 'paragraph' },
        list_item: { block: 'listItem' },
        bullet_list: { block: 'bulletList', getAttrs: (token) => ({ sign: sign(token.markup, '-') }) },
        ordered_list: { block: 'orderedList', getAttrs: (token) => ({ start: Number(token.attrGet('start') ?? 1), sign: sign(token.markup, '.') }) },
        task_list: { block: 'taskList' },
        task_item: { block: 'taskItem', getAttrs: (token) => ({ checked: token.attrGet('checked') === 'x' }) },
        heading: { block: 'heading', getAttrs: (token) => ({ level: Number(token.tag.slice(1)) }) },
        code_block: { block: 'codeBlock', noCloseToken: true },
        fence: { block: 'codeBlock', getAttrs: (token) => ({ language: token.info }), noCloseToken: true },
        table: { block: 'table' },
        thead: { ignore: true },
        tbody: { ignore: true },
        tr: { block: 'tableRow' },
        th: { block: 'tableHeader', getAttrs: alignOf },
        td: { block: 'tableCell', getAttrs: alignOf },
        formula: { node: 'formula', getAttrs: (token) => ({ tex: token.content, block: token.markup === '$$' }), noCloseToken: true },
        image: { node: 'image', getAttrs: (token) => ({ src: token.attrGet('src'), title: token.attrGet('title'), alt: token.content }), noCloseToken: true },
        hr: { node: 'horizontalRule' },
        hardbreak: { node: 'hardBreak', getAttrs: (token) => ({ sign: token.markup, soft: false }) },
        softbreak: { node: 'hardBreak', getAttrs: () => ({ soft: true }) },
        em: { mark: 'italic' },
        strong: { mark: 'bold' },
        s: { mark: 'strike' },
        u: { mark: 'underline' },
        sub: { mark: 'subscript' },
        sup: { mark: 'superscript' },
        code_inline: { mark: 'code', noCloseToken: true },
        link: { mark: 'link', getAttrs: (token) => ({ href: token.attrGet('href'), title: token.attrGet('title') }) },
    }).parse(markdown)
}

export function noteMarkdown(document: Node): string {
    return serializer.serialize(document, { tightLists: true }).trim()
}
