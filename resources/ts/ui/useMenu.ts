import type { DropdownOption } from 'naive-ui'
import { h } from 'vue'
import { useActions } from '@/actions/useActions'

/** A line of a menu: the id of an action, a dash for a line between, or lines of its own under a name. */
export type MenuLine = string | { name: string; lines: readonly MenuLine[] } | { key: string; name: string }

/** Menus made of actions, each with its key. */
export function useMenu() {
    const { actions, isAvailable, keyOf } = useActions()

    function options(lines: readonly MenuLine[]): DropdownOption[] {
        return lines.flatMap((line, i): DropdownOption[] => {
            if (line === '-') {
                return [{ type: 'divider', key: `line-${i}` }]
            }
            if (typeof line !== 'string') {
                return ['lines' in line ? { key: line.name, label: line.name, children: options(line.lines) } : { key: line.key, label: line.name }]
            }
            const action = actions.find((one) => one.id === line)
            return action === undefined
                ? []
                : [{ key: line, disabled: !isAvailable(action), label: () => h('span', { class: 'menu-line' }, [h('span', line === 'help.palette' ? 'All actions' : action.name), h('kbd', keyOf(line))]) }]
        })
    }

    return { options }
}
