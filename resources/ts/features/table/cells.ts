/** Cells as spreadsheets have them on the clipboard: tabs between, a line a row, quoted where there are breaks in them. */

const quoted = (cell: string): string => (/[\t\n"]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell)

export const asText = (lines: readonly (readonly string[])[]): string => lines.map((line) => line.map(quoted).join('\t')).join('\n')

const safe = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('\n', '<br>')

export const asHtml = (lines: readonly (readonly string[])[]): string => `<table>${lines.map((line) => `<tr>${line.map((cell) => `<td>${safe(cell)}</td>`).join('')}</tr>`).join('')}</table>`

/** The lines of cells in a text from the clipboard. */
export function cellsIn(text: string): string[][] {
    const lines: string[][] = [[]]
    let cell = ''
    let inQuotes = false
    const source = text.replace(/\r\n?/g, '\n').replace(/\n$/, '')
    const end = (): void => {
        lines.at(-1)?.push(cell)
        cell = ''
    }
    for (let i = 0; i < source.length; i++) {
        const sign = source.charAt(i)
        if (inQuotes) {
            if (sign === '"' && source.charAt(i + 1) === '"') {
                cell += '"'
                i++
            } else if (sign === '"') {
                inQuotes = false
            } else {
                cell += sign
            }
        } else if (sign === '"' && cell === '' && closes(source, i)) {
            inQuotes = true
        } else if (sign === '\t') {
            end()
        } else if (sign === '\n') {
            end()
            lines.push([])
        } else {
            cell += sign
        }
    }
    end()
    return lines
}

/** Whether a quote that begins a cell is closed where the cell ends; else it is one that was typed. */
function closes(source: string, from: number): boolean {
    for (let i = from + 1; i < source.length; i++) {
        if (source.charAt(i) !== '"') {
            continue
        }
        if (source.charAt(i + 1) === '"') {
            i++
        } else {
            return ['', '\t', '\n'].includes(source.charAt(i + 1))
        }
    }
    return false
}
