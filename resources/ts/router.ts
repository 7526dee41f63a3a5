import { createRouter, createWebHistory } from 'vue-router'
import { onSignedOut } from '@/api/http'
import { useSession } from '@/stores/session'
import { afterTyping } from '@/ui/afterTyping'
import { tell } from '@/ui/tell'

export const router = createRouter({
    history: createWebHistory(),
    routes: [
        { path: '/', name: 'library', component: () => import('@/library/LibraryPage.vue'), meta: { title: 'Library' } },
        { path: '/maps/:id/history', name: 'history', component: () => import('@/history/HistoryPage.vue'), props: true, meta: { title: 'History' } },
        { path: '/maps/:id/beside', name: 'beside', component: () => import('@/history/BesidePage.vue'), props: true, meta: { title: 'Beside another' } },
        { path: '/maps/:id/topics/:topic', name: 'topic', component: () => import('@/board/MapPage.vue'), props: true },
        { path: '/maps/:id', name: 'map', component: () => import('@/board/MapPage.vue'), props: true },
        { path: '/account', name: 'account', component: () => import('@/account/AccountPage.vue'), meta: { title: 'Your account' } },
        { path: '/confirm-address', name: 'confirm', component: () => import('@/account/ConfirmPage.vue'), meta: { open: true, title: 'Your new address' } },
        { path: '/my-class', name: 'my-class', component: () => import('@/classroom/PupilPage.vue'), meta: { title: 'Your class' } },
        { path: '/classes', name: 'classes', component: () => import('@/classroom/ClassesPage.vue'), meta: { title: 'Classes' } },
        { path: '/classes/:id', name: 'class', component: () => import('@/classroom/ClassPage.vue'), props: true, meta: { title: 'Class' } },
        { path: '/hand-outs/:id', name: 'hand-out', component: () => import('@/classroom/HandOutPage.vue'), props: true, meta: { title: 'Hand-out' } },
        { path: '/join/:code?', name: 'join', component: () => import('@/classroom/JoinPage.vue'), props: true, meta: { open: true, title: 'Your class' } },
        { path: '/ideas/:code', name: 'ideas', component: () => import('@/classroom/IdeaPage.vue'), props: true, meta: { open: true, title: 'Ideas' } },
        { path: '/sign-in', name: 'sign-in', component: () => import('@/account/SignInPage.vue'), meta: { open: true, title: 'Sign in' } },
        { path: '/register', name: 'register', component: () => import('@/account/RegisterPage.vue'), meta: { open: true, title: 'Register' } },
        { path: '/finish-registration', name: 'finish', component: () => import('@/account/FinishPage.vue'), meta: { open: true, title: 'Register' } },
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
    // Pupils have no library: what was given to them stands in its place.
    const home = session.person?.isPupil === true ? 'my-class' : 'library'
    if ((to.name === 'library' || to.name === 'my-class') && to.name !== home) {
        return { name: home }
    }
    return true
})

/** Once, wherever it is noticed, and not while somebody types; after signing in one is back where one was. */
onSignedOut(() => {
    const session = useSession()
    if (session.person === null || router.currentRoute.value.meta.open === true) {
        return
    }
    session.lose()
    const leave = (): void => {
        const at = router.currentRoute.value
        if (session.person === null && at.meta.open !== true) {
            void router.push({ name: 'sign-in', query: { to: at.fullPath, why: 'ended' } })
        }
    }
    afterTyping(leave, () => tell.warning('Your session has ended. Finish what you are typing; it is kept. Then sign in again.'))
})

router.afterEach((to) => {
    // A map says so itself, by its own name.
    if (to.meta.title !== undefined) {
        document.title = `${String(to.meta.title)} – Chalk Tree`
    }
})
