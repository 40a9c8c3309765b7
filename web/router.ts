import { createRouter, createWebHistory } from 'vue-router'
import { nextDay } from './api/days'
import { deviceToday } from './parts/words'

/** For developers, not in the built app: every part in its states. */
const workbench = import.meta.env.DEV
  ? [
      {
        path: '/workbench',
        component: () => import('./views/workbench/WorkbenchView.vue'),
        meta: { title: 'Workbench' },
      },
    ]
  : []

const dayView = () => import('./views/day/DayView.vue')

/** Every view has an address; each is loaded when first opened. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    {
      path: '/',
      name: 'next-day',
      component: () => {
        // what is gone to as soon as the day is known
        void dayView().catch(() => undefined)
        void nextDay(deviceToday()).catch(() => undefined)
        return import('./views/days/NextDay.vue')
      },
      meta: { title: 'Day', nav: 'day' },
    },
    {
      path: '/start',
      name: 'start',
      component: () => import('./views/start/StartView.vue'),
      props: ({ query }) => ({ step: query.step }),
      meta: { title: 'Begin' },
    },
    {
      path: '/days',
      name: 'days',
      component: () => import('./views/days/DaysView.vue'),
      props: ({ query }) => ({ from: query.from, span: query.span === 'week' ? 'week' : 'month' }),
      meta: { title: 'Days', nav: 'day' },
    },
    {
      path: '/days/:date(\\d{4}-\\d{2}-\\d{2})',
      name: 'day',
      component: dayView,
      props: (route) => ({ date: route.params.date, show: route.query.show }),
      meta: { title: 'Day', nav: 'day' },
    },
    {
      path: '/dogs',
      name: 'dogs',
      component: () => import('./views/dogs/DogsView.vue'),
      meta: { title: 'Dogs', nav: 'dogs' },
    },
    {
      path: '/dogs/:id',
      name: 'dog',
      component: () => import('./views/dogs/DogView.vue'),
      props: ({ params, query }) => ({ id: params.id, part: query.part }),
      meta: { title: 'Dog', nav: 'dogs' },
    },
    {
      path: '/dogs/:id/recipe',
      name: 'recipe',
      component: () => import('./views/recipe/RecipeView.vue'),
      props: (route) => ({ dogId: route.params.id, date: route.query.date }),
      meta: { title: 'Recipe', nav: 'dogs', help: 'recipes' },
    },
    {
      path: '/dogs/:id/check-in',
      name: 'check-in',
      component: () => import('./views/recipe/CheckInView.vue'),
      props: (route) => ({ dogId: route.params.id, date: route.query.date }),
      meta: { title: 'Check-in', nav: 'dogs', help: 'recipes' },
    },
    {
      path: '/recipes/:id/check-in',
      name: 'check-in-kept',
      component: () => import('./views/recipe/CheckInView.vue'),
      props: (route) => ({ visitId: route.params.id }),
      meta: { title: 'Check-in', nav: 'dogs', help: 'recipes' },
    },
    {
      path: '/owners/:id',
      name: 'owner',
      component: () => import('./views/owners/OwnerView.vue'),
      props: true,
      meta: { title: 'Owner', nav: 'dogs' },
    },
    {
      path: '/tub',
      name: 'tub-pick',
      component: () => import('./views/tub/TubPick.vue'),
      props: (route) => ({ date: route.query.date }),
      meta: { title: 'At the tub', nav: 'tub' },
    },
    {
      path: '/tub/:id',
      name: 'tub',
      component: () => import('./views/tub/TubView.vue'),
      props: (route) => ({ visitId: route.params.id }),
      meta: { title: 'At the tub', nav: 'tub', whole: true },
    },
    {
      path: '/logbook',
      name: 'logbook',
      component: () => import('./views/logbook/LogbookView.vue'),
      props: ({ query }) => ({
        dog: query.dog,
        from: query.from,
        to: query.to,
        product: query.product,
        part: query.part,
        by: query.by,
      }),
      meta: { title: 'Logbook', nav: 'logbook' },
    },
    {
      path: '/logbook/:id',
      name: 'outcome',
      component: () => import('./views/logbook/OutcomeView.vue'),
      props: (route) => ({ visitId: route.params.id }),
      meta: { title: 'How it went', nav: 'logbook' },
    },
    {
      path: '/house/:page?',
      name: 'house',
      component: () => import('./views/house/HouseView.vue'),
      props: ({ params }) => ({ page: params.page || undefined }),
      meta: { title: 'House', nav: 'house' },
    },
    {
      path: '/shelf/:id?',
      name: 'shelf',
      component: () => import('./views/shelf/ShelfView.vue'),
      props: ({ params }) => ({ id: params.id || undefined }),
      meta: { title: 'Shelf', nav: 'shelf' },
    },
    {
      path: '/recipes',
      name: 'recipes',
      component: () => import('./views/recipes/RecipesView.vue'),
      meta: { title: 'Saved recipes', nav: 'logbook', help: 'recipes' },
    },
    {
      path: '/recipes/:id',
      name: 'kept',
      component: () => import('./views/recipe/RecipeView.vue'),
      props: (route) => ({ visitId: route.params.id }),
      meta: { title: 'Recipe', nav: 'dogs', help: 'recipes' },
    },
    {
      path: '/guide/:sheet?',
      name: 'guide',
      component: () => import('./views/guide/GuideView.vue'),
      props: ({ params }) => ({ sheet: params.sheet || undefined }),
      meta: { title: 'Step by step' },
    },
    ...workbench,
    {
      path: '/:rest(.*)*',
      name: 'nowhere',
      component: () => import('./views/NowhereView.vue'),
      meta: { title: 'Nothing here' },
    },
  ],
  scrollBehavior: (_to, _from, saved) => saved ?? { top: 0 },
})

router.afterEach((to) => {
  document.title = to.meta.title ? `${String(to.meta.title)} · Juvant` : 'Juvant'
})
