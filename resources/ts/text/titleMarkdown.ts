import MarkdownIt from 'markdown-it'
import { MarkdownParser, MarkdownSerializer, type ParseSpec } from 'prosemirror-markdown'
import type { Node, Schema } from '@tiptap/pm/model'

const inline = new MarkdownIt('commonmark', { html: true }).enable('strikethrough')

/** Turns the tags <u> and <br> into tokens of their own, and all other HTML into text. */
inline.core.ruler.push('underline', (state) => {
    for (const block of state.tokens) {
        for (const token of block.children ?? []) {
            if (token.type === 'html_inline') {
                const tag = token.content.toLowerCase()
                token.type = tag === '<u>' ? 'u_open' : tag === '</u>' ? 'u_close' : /^<br\s*\/?>$/.test(tag) ? 'hardbreak' : 'text'
            } else if (token.type === 'softbreak') {
                token.type = 'hardbreak'
            } else if (token.type === 'image') {
                token.type = 'text'
            }
        }
    }
})

/** Markdown-it as prosemirror-markdown wants it, reading one paragraph and nothing but inline signs. */
const titleTokens = {
    parse(source: string) {
        const open = new inline.core.State('', inline, {}).Token
        const begin = new open('paragraph_open', 'p', 1)
        const end = new open('paragraph_close', 'p', -1)
        return [begin, ...inline.parseInline(source, {}), end]
    },
} as unknown as MarkdownIt

const markTokens: Record<string, ParseSpec> = {
    em: { mark: 'italic' },
    strong: { mark: 'bold' },
    s: { mark: 'strike' },
    u: { mark: 'underline' },
    code_inline: { mark: 'code', noCloseToken: true },
    link: { mark: 'link', getAttrs: (token) => ({ href: token.attrGet('href') }) },
    hardbreak: { node: 'hardBreak' },
}

export const markSpecs = {
    bold: { open: '**', close: '**', mixable: true, expelEnclosingWhitespace: true },
    italic: { open: '*', close: '*', mixable: true, expelEnclosingWhitespace: true },
    strike: { open: '~~', close: '~~', mixable: true, expelEnclosingWhitespace: true },
    underline: { open: '<u>', close: '</u>', mixable: true },
    code: { open: (_: unknown, __: unknown, parent: Node, index: number) => fence(parent.child(index).text ?? ''), close: (_: unknown, __: unknown, parent: Node, index: number) => fence(parent.child(index - 1).text ?? ''), escape: false },
    link: { open: '[', close: (_: unknown, mark: { attrs: Record<string, unknown> }) => `](<${String(mark.attrs.href).replaceAll('<', '%3C').replaceAll('>', '%3E')}>)`, mixable: true },
}

function fence(code: string): string {
    return '`'.repeat(1 + Math.max(0, ...(code.match(/`+/g) ?? []).map((run) => run.length)))
}

const titleSerializer = new MarkdownSerializer(
    {
        doc: (state, node) => state.renderContent(node),
        paragraph: (state, node) => {
            state.renderInline(node)
            state.closeBlock(node)
        },
        text: (state, node) => state.text(node.text ?? ''),
        hardBreak: (state) => state.write('\n'),
    },
    markSpecs,
    { escapeExtraCharacters: /[<&](?=[a-z/!?#])/gi },
)

/** A title's Markdown as a document for the editor. */
export function titleDocument(schema: Schema, markdown: string): Node {
    return new MarkdownParser(schema, titleTokens, { paragraph: { block: 'paragraph' }, ...markTokens }).parse(markdown)
}

/** The editor's document as a title. */
export function titleMarkdown(document: Node): string {
    return titleSerializer.serialize(document, { tightLists: true }).replace(/\n{2,}/g, '\n').trim()
}

/** What a topic is called in a list or a sentence: its words on one line. */
export function topicName(markdown: string | undefined): string {
    return plainTitle(markdown ?? '').replace(/\s+/g, ' ').trim() || 'Untitled'
}

/** The words of a title without its formatting. */
export function plainTitle(markdown: string): string {
    if (!/[*_~`[\]<&\\]/.test(markdown)) {
        return markdown
    }
    const tokens = inline.parseInline(markdown, {})[0]?.children ?? []
    return tokens.map((token) => (token.type === 'hardbreak' ? '\n' : token.content)).join('')
}
