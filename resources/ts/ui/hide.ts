/** A picture that cannot be had leaves its place empty. */
export function hide({ target }: Event): void {
    (target as HTMLElement).style.visibility = 'hidden'
}
