import { darkTheme, type GlobalTheme, type GlobalThemeOverrides } from 'naive-ui'
import type { BoardName } from '@/stores/preferences'

const shared: GlobalThemeOverrides['common'] = {
    fontFamily: "'Atkinson Hyperlegible', sans-serif",
    fontSize: '15px',
    fontSizeSmall: '14px',
    fontSizeTiny: '13px',
    borderRadius: '7px',
    borderRadiusSmall: '5px',
}

/** The controls in the colours of the board they stand beside; the same values as the core's BoardTheme. */
function overrides(colours: Record<'primary' | 'hover' | 'pressed' | 'ink' | 'soft' | 'paper' | 'edge' | 'field' | 'body', string>): GlobalThemeOverrides {
    return {
        common: {
            ...shared,
            primaryColor: colours.primary,
            primaryColorHover: colours.hover,
            primaryColorPressed: colours.pressed,
            primaryColorSuppl: colours.primary,
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

export const themes: Record<BoardName, { base: GlobalTheme | null; overrides: GlobalThemeOverrides }> = {
    day: {
        base: null,
        overrides: overrides({ primary: '#22696f', hover: '#2b7f86', pressed: '#1a5459', ink: '#2a2e33', soft: '#5d6066', paper: '#fdfaf3', edge: '#d8cfbd', field: '#857c6b', body: '#f6f1e7' }),
    },
    slate: {
        base: darkTheme,
        overrides: overrides({ primary: '#7cc4c4', hover: '#95d3d3', pressed: '#68b0b0', ink: '#f3f1ea', soft: '#bccbc9', paper: '#1d434a', edge: '#36606a', field: '#78a0a8', body: '#16383f' }),
    },
}
