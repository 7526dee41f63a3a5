import type { Context } from '@/actions/registry'
import { isCell } from '@/features/arrange/arrangements'

/** The lines of the context menus: what people do most with the thing, in this order; a dash is a line between. */
const onTopic = [
    'topic.subtopic', 'topic.next', 'topic.retitle', 'topic.note', '-',
    'clip.copy', 'clip.cut', 'clip.paste', 'look.copy', 'look.give', '-', 'shape.wrap', 'topic.fold', 'scope.in', 'lot.park', 'topic.remove', '-', 'help.palette',
]
/** Where several topics stand free. */
const free = ['free.left', 'free.middle', 'free.top', 'free.centre', 'free.across', 'free.down', '-']
const onSeveral = ['clip.copy', 'clip.cut', 'look.give', '-', 'shape.wrap', 'change.join', 'move.below', 'lot.park', 'topic.remove', '-', 'help.palette']
const onBoard = ['clip.paste', 'see.all', 'see.chosen', '-', 'look.whole', 'lot.open', 'find.here', 'map.undo', '-', 'help.palette']

/** In a cell of a grid, before all else. */
const onCell = ['grid.column', 'grid.row', 'grid.remove', '-']

/** What the menu offers where it is opened. */
export function menuFor({ map }: Context, isOnTopic: boolean): readonly string[] {
    return !isOnTopic ? onBoard : map.chosen.length > 1 ? [...(map.chosen.every((id) => map.slips.get(id)?.free === true) ? free : []), ...onSeveral] : map.current !== null && isCell(map.tree, map.current) ? [...onCell, ...onTopic] : onTopic
}
