import type { GlobalTheme } from 'naive-ui'
import { commonDark } from 'naive-ui/es/_styles/common'
import { alertDark } from 'naive-ui/es/alert/styles'
import { autoCompleteDark } from 'naive-ui/es/auto-complete/styles'
import { buttonDark } from 'naive-ui/es/button/styles'
import { cardDark } from 'naive-ui/es/card/styles'
import { checkboxDark } from 'naive-ui/es/checkbox/styles'
import { dialogDark } from 'naive-ui/es/dialog/styles'
import { dropdownDark } from 'naive-ui/es/dropdown/styles'
import { emptyDark } from 'naive-ui/es/empty/styles'
import { inputNumberDark } from 'naive-ui/es/input-number/styles'
import { inputDark } from 'naive-ui/es/input/styles'
import { messageDark } from 'naive-ui/es/message/styles'
import { modalDark } from 'naive-ui/es/modal/styles'
import { popoverDark } from 'naive-ui/es/popover/styles'
import { progressDark } from 'naive-ui/es/progress/styles'
import { radioDark } from 'naive-ui/es/radio/styles'
import { resultDark } from 'naive-ui/es/result/styles'
import { selectDark } from 'naive-ui/es/select/styles'
import { sliderDark } from 'naive-ui/es/slider/styles'
import { spinDark } from 'naive-ui/es/spin/styles'
import { switchDark } from 'naive-ui/es/switch/styles'
import { tabsDark } from 'naive-ui/es/tabs/styles'
import { tagDark } from 'naive-ui/es/tag/styles'
import { tooltipDark } from 'naive-ui/es/tooltip/styles'

/** The controls on dark boards: those that are used, as the theme of all that there are is a fifth of the script. */
export const darkTheme: GlobalTheme = {
    name: 'dark', common: commonDark,
    Alert: alertDark, AutoComplete: autoCompleteDark, Button: buttonDark, Card: cardDark, Checkbox: checkboxDark, Dialog: dialogDark, Dropdown: dropdownDark, Empty: emptyDark, Input: inputDark, InputNumber: inputNumberDark,
    Message: messageDark, Modal: modalDark, Popover: popoverDark, Progress: progressDark, Radio: radioDark, Result: resultDark, Select: selectDark, Slider: sliderDark, Spin: spinDark, Switch: switchDark, Tabs: tabsDark, Tag: tagDark, Tooltip: tooltipDark,
}
