/** What one can do about how much of a map is seen. */
export const VIEW = [
    'see.level-1', 'see.level-2', 'see.level-3', 'see.level-more', 'see.fold-others', 'topic.fold-below', 'topic.unfold-below', '-',
    'scope.in', 'scope.out', 'see.second', '-', 'see.face-spacious', 'see.face-weighted', 'see.face-own', '-', 'see.outline', 'see.desk',
] as const
