import { createRouter, createWebHistory } from 'vue-router'
import { loadLifts } from './shared/lifts'
import { loadSession, useSession } from './shared/session'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/sign-in', name: 'sign-in', component: () => import('./stages/signin/SignIn.vue') },
    {
      path: '/start/:token?',
      name: 'start-club',
      props: true,
      component: () => import('./stages/signin/StartClub.vue'),
    },
    { path: '/join/:token', name: 'join', props: true, component: () => import('./stages/signin/Join.vue') },
    { path: '/people', name: 'people', component: () => import('./stages/people/People.vue') },
    { path: '/', name: 'floor', component: () => import('./stages/floor/Floor.vue') },
    { path: '/gym', name: 'gym', component: () => import('./stages/gym/Gym.vue') },
    { path: '/platform', name: 'platform', component: () => import('./stages/log/Group.vue') },
    { path: '/shapes/:shapeId?', name: 'shapes', component: () => import('./stages/shapes/Shapes.vue') },
    { path: '/library', name: 'library', component: () => import('./stages/library/Library.vue') },
    { path: '/lifters/new', name: 'new-lifter', component: () => import('./stages/lifter/NewLifter.vue') },
    {
      path: '/lifters/:lifterId',
      props: true,
      children: [
        { path: '', name: 'lifter', props: true, component: () => import('./stages/lifter/Lifter.vue') },
        {
          path: 'measure',
          name: 'measure',
          props: true,
          component: () => import('./stages/measure/Measure.vue'),
        },
        {
          path: 'squat',
          name: 'squat',
          props: true,
          component: () => import('./stages/setup/squat/SquatStage.vue'),
        },
        {
          path: 'deadlift',
          name: 'deadlift',
          props: true,
          component: () => import('./stages/setup/deadlift/DeadliftStage.vue'),
        },
        { path: 'log', name: 'log', props: true, component: () => import('./stages/log/Log.vue') },
        {
          path: 'review',
          name: 'review',
          props: true,
          component: () => import('./stages/review/Review.vue'),
        },
        {
          path: 'prescribe',
          name: 'prescribe',
          props: true,
          component: () => import('./stages/prescribe/Prescribe.vue'),
        },
        { path: 'watch', name: 'watch', props: true, component: () => import('./stages/watch/Watch.vue') },
        { path: 'card', name: 'card', props: true, component: () => import('./stages/card/Card.vue') },
      ],
    },
    { path: '/s/:token', name: 'shared', props: true, component: () => import('./stages/card/Shared.vue') },
    { path: '/:anything(.*)', name: 'lost', component: () => import('./shared/Lost.vue') },
  ],
})

/** What is seen without being signed in. */
const OPEN = new Set(['sign-in', 'start-club', 'join'])

router.beforeEach(async (to) => {
  if (to.name === 'shared') return true
  const { session, asked } = useSession()
  if (!asked.value) await Promise.all([loadSession(), loadLifts()])
  if (!session.value && !OPEN.has(String(to.name))) return { name: 'sign-in', query: { to: to.fullPath } }
  if (session.value && to.name === 'sign-in') return { name: 'floor' }
  return true
})
