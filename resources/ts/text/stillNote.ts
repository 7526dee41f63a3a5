import { getSchema } from '@tiptap/core'
import { DOMSerializer } from '@tiptap/pm/model'
import { noteExtensions } from './noteExtensions'
import { markAsides } from './noteAsides'
import { formulaElement } from './noteFormula'
import { canKeep, noteDocument } from './noteMarkdown'
import { pictureElement } from './notePicture'

const schema = getSchema(noteExtensions)
const serializer = new DOMSerializer(
    {
        ...DOMSerializer.nodesFromSchema(schema),
        // As the editor shows them: nothing that lies elsewhere is fetched.
        image: ({ attrs }) => pictureElement(String(attrs.src), String(attrs.alt)),
        formula: ({ attrs }) => formulaElement(String(attrs.tex), attrs.block === true),
    },
    DOMSerializer.marksFromSchema(schema),
)

/** Whether the formatted editor keeps a note to the letter. */
export const isFormatted = (markdown: string): boolean => canKeep(schema, markdown)

/** A note as the editor shows it, where nobody writes in it. */
export function stillNote(markdown: string): DocumentFragment | HTMLElement {
    const note = serializer.serializeFragment(noteDocument(schema, markdown).content)
    markAsides(note)
    return note
}
