import MarkdownIt from 'markdown-it'
import { defaultMarkdownSerializer, MarkdownParser, MarkdownSerializer } from 'prosemirror-markdown'
import type { Node, Schema } from '@tiptap/pm/model'
import { markSpecs } from './titleMarkdown'

const blocks = new MarkdownIt('commonmark', { html: false }).enable('strikethrough')

const { nodes } = defaultMarkdownSerializer

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
        horizontalRule: nodes.horizontal_rule ?? (() => undefined),
        bulletList: (state, node) => state.renderList(node, '  ', () => '- '),
        orderedList: (state, node) => {
            const start = Number(node.attrs.start ?? 1)
            state.renderList(node, '   ', (i) => `${start + i}. `)
        },
        listItem: (state, node) => state.renderContent(node),
        hardBreak: (state) => state.write('\\\n'),
        text: (state, node) => state.text(node.text ?? ''),
    },
    { ...markSpecs },
    { escapeExtraCharacters: /[<&](?=[a-z/!?#])/gi },
)

/** Whether the formatted editor can keep all of a note; if not, it is edited as Markdown. */
export function canKeep(markdown: string): boolean {
    return !/^\s*\|.*\||^\s*<[a-z!]|!\[|^\s*\[[^\]]+\]:/im.test(markdown)
}

export function noteDocument(schema: Schema, markdown: string): Node {
    return new MarkdownParser(schema, blocks, {
        blockquote: { block: 'blockquote' },
        paragraph: { block: 'paragraph' },
        list_item: { block: 'listItem' },
        bullet_list: { block: 'bulletList' },
        ordered_list: { block: 'orderedList', getAttrs: (token) => ({ start: Number(token.attrGet('start') ?? 1) }) },
        heading: { block: 'heading', getAttrs: (token) => ({ level: Number(token.tag.slice(1)) }) },
        code_block: { block: 'codeBlock', noCloseToken: true },
        fence: { block: 'codeBlock', getAttrs: (token) => ({ language: token.info }), noCloseToken: true },
        hr: { node: 'horizontalRule' },
        hardbreak: { node: 'hardBreak' },
        em: { mark: 'italic' },
        strong: { mark: 'bold' },
        s: { mark: 'strike' },
        code_inline: { mark: 'code', noCloseToken: true },
        link: { mark: 'link', getAttrs: (token) => ({ href: token.attrGet('href') }) },
    }).parse(markdown)
}

export function noteMarkdown(document: Node): string {
    return serializer.serialize(document, { tightLists: true }).trim()
}
