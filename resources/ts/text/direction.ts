/** Whether text is read from right to left, by its first letter, as the core finds it. */
export const isRightToLeft = (text: string): boolean => /^\P{L}*[\u0590-\u08FF\uFB1D-\uFDFF\uFE70-\uFEFC\u{10800}-\u{10FFF}\u{1E800}-\u{1EFFF}]/u.test(text)
