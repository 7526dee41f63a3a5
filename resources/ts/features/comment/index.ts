import { defineAsyncComponent } from 'vue'
import { useBeside } from '@/stores/beside'
import type { Feature } from '../feature'
import { commentActions } from './actions'
import CommentInLine from './CommentInLine.vue'
import CommentMarks from './CommentMarks.vue'
import { useComments } from './commentStore'
import SinceHere from './SinceHere.vue'

const CommentsPanel = defineAsyncComponent(() => import('./CommentsPanel.vue'))

export const comment: Feature = {
    name: 'comment', actions: commentActions, sides: { comments: CommentsPanel }, onBoard: CommentMarks, inLine: CommentInLine, strip: SinceHere,
    tells: (topic) => {
        const count = useBeside().tree.topics.has(topic) ? (useComments().counts.get(topic) ?? 0) : 0
        return count === 0 ? '' : count === 1 ? '1 comment' : `${count} comments`
    },
}
