import type { DropdownOption } from 'naive-ui'
import { h } from 'vue'
import { useActions } from '@/actions/useActions'

/** A line of a menu: the id of an action, a dash for a line between, or lines of its own under a name. */
export type MenuLine = string | { name: string; lines: readonly MenuLine[] } | { key: string; name: string }

const divider = (at: number): DropdownOption => ({ type: 'divider', key: `line-${at}` })

/** Menus made of actions, each with its key. */
export function useMenu() {
    const { actions, isAvailable, mayDo, keyOf } = useActions()

    function options(lines: readonly MenuLine[]): DropdownOption[] {
        const all = lines.flatMap((line, i): DropdownOption[] => {
            if (line === '-') {
                return [divider(i)]
            }
            if (typeof line !== 'string') {
                const children = 'lines' in line ? options(line.lines) : null
                return children === null ? [{ key: 'key' in line ? line.key : '', label: line.name }] : children.length === 0 ? [] : [{ key: line.name, label: line.name, children }]
            }
            const action = actions.find((one) => one.id === line)
            return action === undefined || !mayDo(action)
                ? []
                : [{ key: line, disabled: !isAvailable(action), label: () => h('span', { class: 'menu-line' }, [h('span', line === 'help.palette' ? 'All actions' : action.name), h('kbd', keyOf(line))]) }]
        })
        // What somebody may not do at all is left out, and with it lines that would stand about nothing.
        return all.filter((one, i) => one.type !== 'divider' || (i > 0 && i < all.length - 1 && all[i + 1]?.type !== 'divider'))
    }

    return { options }
}
