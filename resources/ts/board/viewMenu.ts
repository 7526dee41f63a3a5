import type { MenuLine } from '@/ui/useMenu'

/** What one can do about how much of a map is seen. */
export const VIEW: readonly MenuLine[] = [
    'see.level-1', 'see.level-2', 'see.level-3', 'see.level-more', 'see.fold-others', 'topic.fold-below', 'topic.unfold-below', '-',
    'scope.in', 'scope.out', 'see.second', '-', 'see.outline', 'see.desk', { name: 'Typeface for you', lines: ['see.face-spacious', 'see.face-weighted', 'see.face-own'] },
]
