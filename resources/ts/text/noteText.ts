import { getSchema } from '@tiptap/core'
import type { Node } from '@tiptap/pm/model'
import { noteExtensions } from './noteExtensions'
import { noteDocument } from './noteMarkdown'

const schema = getSchema(noteExtensions)

/** What is said of what is no text. */
const leaf = ({ type, attrs }: Node): string => (type.name === 'formula' ? String(attrs.tex) : type.name === 'image' ? String(attrs.alt) : ' ')

/** The words of a note without its formatting: a line for each of its paragraphs, headings, items and cells. */
export function noteLines(markdown: string): string[] {
    if (markdown.trim() === '') {
        return []
    }
    const lines: string[] = []
    noteDocument(schema, markdown).descendants((node) => {
        if (node.isTextblock) {
            lines.push(node.textBetween(0, node.content.size, ' ', leaf).replace(/\s+/g, ' ').trim())
        }
        return !node.isTextblock
    })
    return lines.filter((line) => line !== '')
}
