import { createRouter, createWebHistory } from 'vue-router'
import { useSession } from '@/stores/session'

export const router = createRouter({
    history: createWebHistory(),
    routes: [
        { path: '/', name: 'library', component: () => import('@/library/LibraryPage.vue'), meta: { title: 'Library' } },
        { path: '/maps/:id/history', name: 'history', component: () => import('@/history/HistoryPage.vue'), props: true, meta: { title: 'History' } },
        { path: '/maps/:id/topics/:topic', name: 'topic', component: () => import('@/board/MapPage.vue'), props: true, meta: { title: 'Map' } },
        { path: '/maps/:id', name: 'map', component: () => import('@/board/MapPage.vue'), props: true, meta: { title: 'Map' } },
        { path: '/sign-in', name: 'sign-in', component: () => import('@/account/SignInPage.vue'), meta: { open: true, title: 'Sign in' } },
        { path: '/register', name: 'register', component: () => import('@/account/RegisterPage.vue'), meta: { open: true, title: 'Register' } },
        { path: '/forgot-password', name: 'forgot', component: () => import('@/account/ForgotPage.vue'), meta: { open: true, title: 'New password' } },
        { path: '/reset-password', name: 'reset', component: () => import('@/account/ResetPage.vue'), meta: { open: true, title: 'New password' } },
        { path: '/:rest(.*)', redirect: '/' },
    ],
})

router.beforeEach(async (to) => {
    const session = useSession()
    await session.know()
    if (to.meta.open !== true && session.person === null) {
        return { name: 'sign-in', query: to.fullPath === '/' ? {} : { to: to.fullPath } }
    }
    return true
})

router.afterEach((to) => {
    document.title = `${String(to.meta.title ?? '')} – Chalk Tree`
})
