import { request } from '@/api/http'
import type { AccountAnswer, LetterAnswer } from '@/api/wire'

/** What one's own account asks of the server. */
export const accountApi = {
    show: () => request<AccountAnswer>('GET', 'me/account'),
    name: (name: string) => request<AccountAnswer>('PUT', 'me/name', { name }),
    address: (email: string, password: string) => request<LetterAnswer>('PUT', 'me/address', { email, password }),
    confirmAddress: (token: string) => request<{ message: string }>('POST', 'confirm-address', { token }),
    password: (password: string, next: string) => request<AccountAnswer>('PUT', 'me/password', { password, next }),
    beginCodes: (password: string) => request<{ secret: string; address: string }>('POST', 'me/two-factor', { password }),
    confirmCodes: (code: string) => request<{ codes: string[] }>('PUT', 'me/two-factor', { code }),
    endCodes: (password: string) => request<AccountAnswer>('DELETE', 'me/two-factor', { password }),
    renewCodes: (password: string) => request<{ codes: string[] }>('POST', 'me/recovery', { password }),
    end: (signIn: string) => request<AccountAnswer>('DELETE', `me/sign-ins/${signIn}`),
    endOthers: () => request<AccountAnswer>('DELETE', 'me/sign-ins'),
    data: '/api/me/data',
    remove: (password: string) => request<{ person: null }>('DELETE', 'me', { password }),
}
