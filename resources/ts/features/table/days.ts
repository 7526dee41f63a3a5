/** Days as "2026-12-05", reckoned without clocks. */

const DAY = 86_400_000

export const plus = (day: string, by: number): string => new Date(Date.parse(`${day}T00:00:00Z`) + by * DAY).toISOString().slice(0, 10)
export const between = (from: string, to: string): number => Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY)
/** The Monday of its week. */
export const monday = (day: string): string => plus(day, -((new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7))
export const monthOf = (day: string): string => day.slice(0, 7)
export const firstOf = (day: string): string => `${monthOf(day)}-01`
/** The first of the month so many later. */
export function months(day: string, by: number): string {
    const at = new Date(`${firstOf(day)}T00:00:00Z`)
    at.setUTCMonth(at.getUTCMonth() + by)
    return at.toISOString().slice(0, 10)
}
export const words = (day: string, how: Intl.DateTimeFormatOptions): string => new Date(`${day}T00:00:00Z`).toLocaleDateString('en-GB', { timeZone: 'UTC', ...how })
