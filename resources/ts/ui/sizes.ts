/** A number of bytes in words. */
export function sizeWords(bytes: number): string {
    const [unit, step] = bytes >= 1024 ** 3 ? ['GB', 1024 ** 3] as const : bytes >= 1024 ** 2 ? ['MB', 1024 ** 2] as const : ['kB', 1024] as const
    const size = bytes / step
    return bytes < 1024 ? `${bytes} bytes` : `${Number(size.toFixed(size < 10 && unit !== 'kB' ? 1 : 0))} ${unit}`
}
