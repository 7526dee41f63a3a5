import MarkdownIt from 'markdown-it'
import { MarkdownParser, MarkdownSerializer, type MarkdownSerializerState, type ParseSpec } from 'prosemirror-markdown'
import type { Node, Schema } from '@tiptap/pm/model'
import { readTags } from './inlineTokens'

const inline = new MarkdownIt('commonmark', { html: true }).enable('strikethrough')

readTags(inline)

/** In a title every line break is one, and there are no pictures. */
inline.core.ruler.push('title', (state) => {
    for (const block of state.tokens) {
        for (const token of block.children ?? []) {
            token.type = token.type === 'softbreak' ? 'hardbreak' : token.type === 'image' ? 'text' : token.type
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
    sub: { mark: 'subscript' },
    sup: { mark: 'superscript' },
    code_inline: { mark: 'code', noCloseToken: true },
    link: { mark: 'link', getAttrs: (token) => ({ href: token.attrGet('href') }) },
    hardbreak: { node: 'hardBreak' },
}

export const markSpecs = {
    bold: { open: '**', close: '**', mixable: true, expelEnclosingWhitespace: true },
    italic: { open: '*', close: '*', mixable: true, expelEnclosingWhitespace: true },
    strike: { open: '~~', close: '~~', mixable: true, expelEnclosingWhitespace: true },
    underline: { open: '<u>', close: '</u>', mixable: true },
    subscript: { open: '<sub>', close: '</sub>', mixable: true },
    superscript: { open: '<sup>', close: '</sup>', mixable: true },
    code: { open: (_: unknown, __: unknown, parent: Node, index: number) => fence(parent.child(index).text ?? ''), close: (_: unknown, __: unknown, parent: Node, index: number) => fence(parent.child(index - 1).text ?? ''), escape: false },
    link: { open: '[', close: (_: unknown, mark: { attrs: Record<string, unknown> }) => `](<${String(mark.attrs.href).replaceAll('<', '%3C').replaceAll('>', '%3E')}>)`, mixable: true },
}

function fence(code: string): string {
    return '`'.repeat(1 + Math.max(0, ...(code.match(/`+/g) ?? []).map((run) => run.length)))
}

/** The same with tags, which can stand anywhere: beside letters and signs, and one right after the other. */
export const tagSpecs = {
    ...markSpecs,
    bold: { open: '<b>', close: '</b>', mixable: true },
    italic: { open: '<i>', close: '</i>', mixable: true },
    strike: { open: '<s>', close: '</s>', mixable: true },
}

const titleNodes = {
    doc: (state: MarkdownSerializerState, node: Node) => state.renderContent(node),
    paragraph: (state: MarkdownSerializerState, node: Node) => {
        state.renderInline(node)
        state.closeBlock(node)
    },
    text: (state: MarkdownSerializerState, node: Node) => state.text(node.text ?? ''),
    hardBreak: (state: MarkdownSerializerState) => state.write('\n'),
}
const escapes = { escapeExtraCharacters: /[<&](?=[a-z/!?#])/gi }
const titleSerializers = [new MarkdownSerializer(titleNodes, markSpecs, escapes), new MarkdownSerializer(titleNodes, tagSpecs, escapes)]

/** A title's Markdown as a document for the editor. */
export function titleDocument(schema: Schema, markdown: string): Node {
    return new MarkdownParser(schema, titleTokens, { paragraph: { block: 'paragraph' }, ...markTokens }).parse(markdown)
}

/** The editor's document as a title: with signs if that reads back as the same, else with tags. */
export function titleMarkdown(document: Node): string {
    const written = titleSerializers.map((one) => one.serialize(document, { tightLists: true }).replace(/\n{2,}/g, '\n').trim())
    const [signs = '', tags = ''] = written
    return signs === tags || formOf(titleDocument(document.type.schema, signs)) === formOf(document) ? signs : tags
}

/** What a document says and how, in a form that compares; formatting of nothing but space does not count. */
function formOf(document: Node): string {
    let form = ''
    document.descendants((node) => {
        if (node.isText) {
            const marks = node.marks.map((mark) => `${mark.type.name}${String(mark.attrs.href ?? '')}`).sort().join()
            form += [...(node.text ?? '')].map((sign) => (/\s/.test(sign) ? ' ' : `${sign}{${marks}}`)).join('')
        } else if (node.isInline) {
            form += '\n'
        }
    })
    return form.replace(/ *\n */g, '\n').trim()
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
