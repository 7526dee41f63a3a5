/** The stamps by their signs, as controls offer them. */
const named = ['done', 'doing', 'cut', 'look-up', 'idea', 'question', 'warning', 'important', 'person', 'place', 'date', 'money', 'likes', 'dislikes', 'yes', 'no', 'used', 'drafted', 'revised']
const nth = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth']

export const stampChoices: readonly { value: string; label: string }[] = [
    ...named.map((name) => ({ value: `stamp:${name}`, label: name.replace('-', ' ') })),
    ...nth.map((label, i) => ({ value: `stamp:${i + 1}`, label })),
]
