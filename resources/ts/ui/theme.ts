import type { GlobalTheme, GlobalThemeOverrides } from 'naive-ui'
import { isDark, type BoardName } from './boards'
import { darkTheme } from './darkTheme'

const shared: GlobalThemeOverrides['common'] = {
    fontFamily: "'Atkinson Hyperlegible', sans-serif",
    fontSize: '15px',
    fontSizeSmall: '14px',
    fontSizeTiny: '13px',
    borderRadius: '7px',
    borderRadiusSmall: '5px',
}

/** The controls in the colours of the board they stand beside. */
function overrides(colours: Record<'primary' | 'hover' | 'pressed' | 'ink' | 'soft' | 'paper' | 'edge' | 'field' | 'body', string>): GlobalThemeOverrides {
    return {
        common: {
            ...shared,
            primaryColor: colours.primary,
            primaryColorHover: colours.hover,
            primaryColorPressed: colours.pressed,
            primaryColorSuppl: colours.primary,
            infoColor: colours.primary,
            infoColorHover: colours.hover,
            infoColorPressed: colours.pressed,
            infoColorSuppl: colours.primary,
            textColorBase: colours.ink,
            textColor1: colours.ink,
            textColor2: colours.ink,
            textColor3: colours.soft,
            placeholderColor: colours.soft,
            bodyColor: colours.body,
            cardColor: colours.paper,
            modalColor: colours.paper,
            popoverColor: colours.paper,
            inputColor: colours.paper,
            textColorDisabled: colours.soft,
            placeholderColorDisabled: colours.soft,
            opacityDisabled: '0.72',
            borderColor: colours.edge,
            dividerColor: colours.edge,
        },
        // What can be filled in or ticked has a border that can be seen; mere dividing lines are fainter.
        Input: { border: `1px solid ${colours.field}` },
        Select: { peers: { InternalSelection: { border: `1px solid ${colours.field}` } } },
        Checkbox: { border: `1px solid ${colours.field}` },
        Radio: { boxShadow: `inset 0 0 0 1px ${colours.field}`, buttonBorderColor: colours.field },
        Slider: { railColor: colours.field, railColorHover: colours.field },
        Tooltip: { color: colours.ink, textColor: colours.paper },
    }
}

/** Made once for each board. */
const made = new Map<BoardName, { base: GlobalTheme | null; overrides: GlobalThemeOverrides }>()

/** The controls in the colours of a board, which stand in the page's style. */
export function themeOf(board: BoardName): { base: GlobalTheme | null; overrides: GlobalThemeOverrides } {
    let theme = made.get(board)
    if (theme === undefined) {
        const probe = document.createElement('i')
        probe.dataset.board = board
        probe.hidden = true
        document.body.append(probe)
        const style = getComputedStyle(probe)
        const colour = (name: string): string => style.getPropertyValue(`--${name}`).trim()
        theme = {
            base: isDark(board) ? darkTheme : null,
            overrides: overrides({
                primary: colour('tide-text'), hover: colour('tide'), pressed: colour('tide-text'), ink: colour('ink'), soft: colour('soft'),
                paper: colour('slip'), edge: colour('edge'), field: colour('field'), body: colour('board'),
            }),
        }
        probe.remove()
        made.set(board, theme)
    }
    return theme
}
