import type { Context } from '@/actions/registry'
import type { MenuLine } from './useMenu'
import { isCell } from '@/features/arrange/arrangements'

/** The lines of the context menus: what people do most with the thing, in this order; a dash is a line between. */
const STAMPS = ['done', 'doing', 'idea', 'question', 'warning', 'important', 'likes', 'dislikes']
const SIGNS: MenuLine = { name: 'Put a stamp on', lines: [...STAMPS.map((stamp) => `sign.stamp-${stamp}`), '-', 'sign.clear', 'sign.stamps', 'sign.tags'] }
const PICTURES: MenuLine = { name: 'Picture', lines: ['picture.drawings', 'picture.file', 'picture.open', '-', 'picture.place-above', 'picture.place-below', 'picture.place-left', 'picture.place-right', 'picture.place-instead', '-', 'picture.larger', 'picture.smaller', 'picture.pick', 'picture.put', '-', 'picture.take'] }
const TRACKING: MenuLine = { name: 'Kind and to-do', lines: ['kind.entry', 'kind.again', 'kind.give', '-', 'kind.todo', 'task.report', 'task.done', 'task.remind', 'task.again', '-', 'task.list', 'kind.panel', 'rule.panel'] }
const onTopic: readonly MenuLine[] = [
    'topic.subtopic', 'topic.next', 'topic.retitle', 'topic.note', '-',
    'clip.copy', 'clip.cut', 'clip.paste', 'look.copy', 'look.give', '-', TRACKING, SIGNS, PICTURES, 'crosslink.tie', 'comment.open', '-', 'shape.wrap', 'topic.fold', 'scope.in', 'lot.park', 'privacy.turn', 'topic.remove', '-', 'help.palette',
]
/** Where several topics stand free. */
const free = ['free.left', 'free.middle', 'free.top', 'free.centre', 'free.across', 'free.down', '-']
const onSeveral: readonly MenuLine[] = ['clip.copy', 'clip.cut', 'look.give', '-', TRACKING, SIGNS, PICTURES, 'crosslink.tie', '-', 'shape.wrap', 'change.join', 'move.below', 'lot.park', 'privacy.turn', 'topic.remove', '-', 'help.palette']
const onBoard = ['clip.paste', 'clip.document', 'see.all', 'see.chosen', '-', 'look.whole', 'sign.legend', 'crosslink.sentences', 'lot.open', 'find.here', 'map.undo', '-', 'help.palette']

/** In a cell of a grid, before all else. */
const onCell = ['grid.column', 'grid.row', 'grid.remove', '-']

/** What the menu offers where it is opened. */
export function menuFor({ map }: Context, isOnTopic: boolean): readonly MenuLine[] {
    return !isOnTopic ? onBoard : map.chosen.length > 1 ? [...(map.chosen.every((id) => map.slips.get(id)?.free === true) ? free : []), ...onSeveral] : map.current !== null && isCell(map.tree, map.current) ? [...onCell, ...onTopic] : onTopic
}
