import MarkdownIt from 'markdown-it'
import { defaultMarkdownSerializer, MarkdownParser, MarkdownSerializer } from 'prosemirror-markdown'
import type { Mark, Node, Schema } from '@tiptap/pm/model'
import { readTags, tellBreaks } from './inlineTokens'
import { markSpecs } from './titleMarkdown'

const blocks = new MarkdownIt('commonmark', { html: true }).enable(['strikethrough', 'table']).disable('html_block')
readTags(blocks)
tellBreaks(blocks)

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
        hardBreak: (state, node) => state.write(node.attrs.soft === true ? '\n' : node.attrs.sign === '  ' ? '  \n' : '\\\n'),
        text: (state, node) => state.text(node.text ?? ''),
    },
    { ...markSpecs, link: { ...markSpecs.link, close: (_: unknown, mark: Mark) => linkEnd(mark) } },
    { escapeExtraCharacters: /[<&](?=[a-z/!?#])/gi },
)

/** Whether the formatted editor keeps a note to the letter; if not, it is edited as Markdown. */
export function canKeep(schema: Schema, markdown: string): boolean {
    try {
        return noteMarkdown(noteDocument(schema, markdown)) === markdown.trim()
    } catch {
        // Something that the editor has no part for, such as a picture or a table.
        return false
    }
}

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
        hr: { node: 'horizontalRule' },
        hardbreak: { node: 'hardBreak', getAttrs: (token) => ({ sign: token.markup, soft: false }) },
        softbreak: { node: 'hardBreak', getAttrs: () => ({ soft: true }) },
        em: { mark: 'italic' },
        strong: { mark: 'bold' },
        s: { mark: 'strike' },
        u: { mark: 'underline' },
        code_inline: { mark: 'code', noCloseToken: true },
        link: { mark: 'link', getAttrs: (token) => ({ href: token.attrGet('href'), title: token.attrGet('title') }) },
    }).parse(markdown)
}

export function noteMarkdown(document: Node): string {
    return serializer.serialize(document, { tightLists: true }).trim()
}
