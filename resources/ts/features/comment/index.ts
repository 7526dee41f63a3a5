import { defineAsyncComponent } from 'vue'
import { useBeside } from '@/stores/beside'
import type { Feature } from '../feature'
import { commentActions } from './actions'
import CommentDoor from './CommentDoor.vue'
import CommentInLine from './CommentInLine.vue'
import { useCommentCounts } from './commentCounts'
import SinceDoor from './SinceDoor.vue'

const CommentsPanel = defineAsyncComponent(() => import('./CommentsPanel.vue'))

export const comment: Feature = {
    name: 'comment', actions: commentActions, sides: { comments: CommentsPanel }, onBoard: CommentDoor, forAll: true, inLine: CommentInLine, strip: SinceDoor,
    tells: (topic) => {
        const count = useBeside().tree.topics.has(topic) ? (useCommentCounts().counts.get(topic) ?? 0) : 0
        return count === 0 ? '' : count === 1 ? '1 comment' : `${count} comments`
    },
}
